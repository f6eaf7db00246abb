import { shownWords, type NodeJson } from '@glossarion/core/document';
import { dayInText, localDay } from '@glossarion/core/journal';
import { LONG_WAIT, longWaitWords, waitedFor, type Jotting } from '@glossarion/core/tray';
import { linkWords } from '../../screen/words';
import { targetOf } from '../../state/store';

const isBlank = (node: NodeJson): boolean => node.type === 'block' && !node.content?.length;

/** The lines without empty ones at their ends. */
export function trimmed(lines: readonly NodeJson[]): NodeJson[] {
  const first = lines.findIndex((node) => !isBlank(node));
  return first < 0 ? [] : lines.slice(first, lines.findLastIndex((node) => !isBlank(node)) + 1);
}

const wordsOf = (node: NodeJson): string => shownWords(node, (target) => linkWords(targetOf(target))).trim();

/** What a jotting is called: the words of its first line that has any. */
export const jottingTitle = ({ nodes }: Pick<Jotting, 'nodes'>): string =>
  nodes.map(wordsOf).find((words) => words !== '') ?? 'A jotting';

/** When it was caught, and what is to be known of its waiting: “12 November, waits for 3 weeks”. */
export function jottingSaid(jotting: Jotting, today: string): string {
  const caught = dayInText(localDay(new Date(jotting.begunAt)), today);
  const { comesBack } = jotting;
  if (jotting.jotting === 'kept') return `${caught}, kept`;
  if (comesBack !== null && comesBack > today) return `${caught}, comes back ${dayInText(comesBack, today)}`;
  const waited = waitedFor(jotting, today);
  const long = waited >= LONG_WAIT ? `waits for ${longWaitWords(waited)}` : '';
  const back = comesBack === today ? 'came back today' : comesBack ? `came back ${dayInText(comesBack, today)}` : '';
  return [caught, back, long].filter(Boolean).join(', ');
}
