/** The types of fields, in the order in which they are offered. */
export const FIELD_TYPE_NAMES = ['text', 'pages', 'date', 'span', 'choice', 'number', 'yesNo', 'address'] as const;
export type FieldTypeName = (typeof FIELD_TYPE_NAMES)[number];
