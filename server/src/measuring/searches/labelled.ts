/** A search as somebody types it, and what it has to find. */
export interface LabelledSearch {
  typed: string;
  /** What is looked for: a page by its title, or a line by words it shows, those of what it links to among them. */
  find: { page: string } | { line: string };
  /** It has to stand among so many. */
  among: 1 | 3;
}

type Row = readonly [typed: string, wanted: string, among?: 3];

/** Searches for pages, each as what is typed and the title; 3 when being among the first three is enough. */
export const pages = (...rows: readonly Row[]): LabelledSearch[] =>
  rows.map(([typed, page, among]) => ({ typed, find: { page }, among: among ?? 1 }));

/** The same for lines. */
export const lines = (...rows: readonly Row[]): LabelledSearch[] =>
  rows.map(([typed, line, among]) => ({ typed, find: { line }, among: among ?? 1 }));
