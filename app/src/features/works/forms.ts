import type { ExportForm } from '@glossarion/core/works';

interface FormWords {
  name: string;
  /** What one gets, and what it is good for. */
  says: string;
}

/** What notes can be taken out as, in words. */
export const FORM_WORDS: Record<ExportForm, FormWords> = {
  markdown: {
    name: 'Markdown',
    says: 'A zip of Markdown files in folders, which any program can read, with attachments, links between the files, and all that is known of each page. Taken in again, it is what it was.',
  },
  site: {
    name: 'Web site',
    says: 'A zip of pages that open in any browser from a disk, without a server: contents, what leads to each line beside it, and a search. To be read, or given to others to read; what is in the bin stays here.',
  },
  epub: {
    name: 'Book',
    says: 'A book (EPUB) for readers of books: contents, cross references, and an index of what is named where. Pictures are in it; other attachments, jottings and what is in the bin stay here.',
  },
  print: {
    name: 'Print',
    says: 'One long page for paper, opened here to be printed: contents, the number of what each link leads to, and an index of names and tags.',
  },
  json: {
    name: 'JSON',
    says: 'A zip of JSON files in a form that is published, for programs that are to read all of it. Taken in again, it is what it was.',
  },
  opml: {
    name: 'Outline',
    says: 'One outline (OPML) of notebooks, sections, pages and their lines, for programs that work with outlines. Styles, tables and attachments stay here.',
  },
  csv: {
    name: 'Tables',
    says: 'A zip with a table (CSV) for each kind, with a row for each page and a column for each field, for spreadsheets.',
  },
  calendar: {
    name: 'Calendar',
    says: 'Open tasks that are due on a day, as a calendar file (.ics).',
  },
};
