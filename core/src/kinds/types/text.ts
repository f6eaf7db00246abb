import type { FieldType } from './type';

export const text: FieldType = { label: 'Text', part: 'text', options: [] };
