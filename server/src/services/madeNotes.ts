import type { MarkdownFile } from '@glossarion/core/formats/markdown';

/** Notes of any number, made up from a seed: for measuring, never for showing. The same number gives the same notes. */

const SYLLABLES = 'tan mor vel cas bri lun dor fen hal kem rod sil wat pon gar est iv ulm ock and'.split(' ');
const VOCABULARY = 6_000;
const SECTION_SIZE = 40;
const NOTEBOOK_SIZE = 1_000;

/** mulberry32 (T. Ettinger, public domain): a small seeded generator, even in [0, 1). */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

export const madeTitle = (number: number): string => `Page ${number} ${wordAt(number % VOCABULARY)}`;

function wordAt(rank: number): string {
  let rest = rank + SYLLABLES.length;
  let word = '';
  while (rest > 0) {
    word += SYLLABLES[rest % SYLLABLES.length];
    rest = Math.floor(rest / SYLLABLES.length);
  }
  return word;
}

export interface MadeNotesOptions {
  pages: number;
  /** How many lines elsewhere link to page 0. */
  linksToFirst?: number;
  seed?: number;
  /** What they are written in, the commonest word first; made-up words when nothing is said. */
  words?: readonly string[];
}

export function madeNotes({ pages, linksToFirst = 200, seed = 1, words }: MadeNotesOptions): MarkdownFile[] {
  const random = randomFrom(seed);
  // Words are as unevenly used as in any language: the rank falls off towards the rare ones.
  const word = () => {
    const rank = Math.floor((words?.length ?? VOCABULARY) * random() ** 3);
    return words?.[rank] ?? wordAt(rank);
  };
  const sentence = () => Array.from({ length: 6 + Math.floor(random() * 12) }, word).join(' ');
  return Array.from({ length: pages }, (_each, number) => {
    const notebook = `Notebook ${Math.floor(number / NOTEBOOK_SIZE) + 1}`;
    const section = `Section ${Math.floor((number % NOTEBOOK_SIZE) / SECTION_SIZE) + 1}`;
    const lines = [
      `${sentence()}.`,
      `## ${word()} ${word()}`,
      `${sentence()}. See [[${madeTitle(Math.floor(random() * pages))}]].`,
    ];
    for (let item = 0; item < 4; item += 1) lines.push(`- [${random() < 0.5 ? 'x' : ' '}] ${sentence()}`);
    lines.push(`${sentence()} #${word()}`);
    if (number > 0 && number <= linksToFirst) lines.push(`${sentence()} [[${madeTitle(0)}]] ${sentence()}.`);
    return { path: `${notebook}/${section}/${madeTitle(number)}.md`, text: lines.join('\n\n') };
  });
}
