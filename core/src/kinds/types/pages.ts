import type { FieldType } from './type';

/** Leads to pages; which they are is picked by their titles. */
export const pages: FieldType = { label: 'Pages', part: 'pages', options: ['ofKind'] };
