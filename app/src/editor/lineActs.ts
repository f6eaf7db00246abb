/** Lines of a page, by their ids in the order of the text. */
export interface PageLines {
  pageId: string;
  ids: string[];
}

/** What is done with lines that reaches beyond their page: the editor offers it, the app around it does it. */
export interface LineActs {
  copyLink(blockId: string): unknown;
  lift(lines: PageLines): unknown;
  send(lines: PageLines): unknown;
  tag(lines: PageLines): unknown;
  meet(lines: PageLines): unknown;
  excerptBeside(lines: PageLines, besideId: string): unknown;
}
