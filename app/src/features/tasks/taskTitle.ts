import { shownWords, type NodeJson } from '@glossarion/core/document';
import { linkWords } from '../../screen/words';
import { targetOf } from '../../state/store';

/** The words of a task with those of its links. */
export const taskTitle = (node: NodeJson): string =>
  shownWords(node, (target) => linkWords(targetOf(target))).trim() || 'A to-do';
