/** What notes can be taken out as. */
export const EXPORT_FORMS = ['markdown', 'site', 'epub', 'print', 'json', 'opml', 'csv', 'calendar'] as const;
export type ExportForm = (typeof EXPORT_FORMS)[number];
