import { turningInto } from '../turning';
import type { KindView } from './kind';

/** The title is the page's only heading of the first level. */
const element = ({ level }: Readonly<Record<string, unknown>>): string => `h${Math.max(2, Number(level ?? 2))}`;

const offer = (words: string, level: number, also: string) => ({
  words,
  detail: `${'#'.repeat(level)} at the start of a line`,
  also,
  turn: turningInto('heading', { level }),
});

export const heading: KindView = {
  name: 'heading',
  offers: [
    offer('Heading', 2, 'title h2'),
    offer('Great heading', 1, 'title h1 large'),
    offer('Small heading', 3, 'subheading title h3'),
    offer('Least heading', 4, 'subheading title h4'),
  ],
  text: { element, typed: [{ find: /^(#{1,4})\s$/u, attrs: (match) => ({ level: match[1]!.length }) }] },
};
