import { countBlocks, type NodeJson } from '@glossarion/core/document';
import { linkWords } from '../../screen/words';
import { targetOf } from '../../state/store';
import { count } from '../../kit/count';
import { Words } from '../../kit/Words';

/** How long a page is. */
export function Counts({ content }: { content: readonly NodeJson[] }) {
  const { words, characters, minutes } = countBlocks(content, (target) => linkWords(targetOf(target)));
  return (
    <Words>
      {count(words, 'word')}, {count(characters, 'character')},{' '}
      {minutes === 0 ? 'nothing' : `about ${count(minutes, 'minute')}`} to read
    </Words>
  );
}
