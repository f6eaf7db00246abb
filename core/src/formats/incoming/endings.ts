/** How the names of files end that pages are read from, by what they are. What reads them is in the file of that name. */
export const ENDINGS = {
  page: /\.page\.json$/iu,
  markdown: /\.(?:md|markdown)$/iu,
  html: /\.x?html?$/iu,
  text: /\.(?:txt|text)$/iu,
  opml: /\.opml$/iu,
  csv: /\.(?:csv|tsv)$/iu,
  calendar: /\.(?:ics|ical)$/iu,
  vcard: /\.(?:vcf|vcard)$/iu,
};

/** Whether notes are read from a file, by its name. */
export const isRead = (path: string): boolean => Object.values(ENDINGS).some((ending) => ending.test(path));

/** The same for whoever picks files. */
export const READ_ENDINGS = '.md,.markdown,.html,.htm,.xhtml,.txt,.text,.opml,.csv,.tsv,.vcf,.vcard,.ics,.json';
