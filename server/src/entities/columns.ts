/** The kinds of column that tables have. Moments are ISO 8601 texts in UTC; yes and no are 1 and 0. */
export const key = { type: 'text', primary: true } as const;
export const text = { type: 'text' } as const;
export const textOrNull = { type: 'text', nullable: true } as const;
export const emptyText = { type: 'text', default: '' } as const;
export const integer = { type: 'integer' } as const;
export const integerOrNull = { type: 'integer', nullable: true } as const;
export const integerKey = { type: 'integer', primary: true } as const;
export const zero = { type: 'integer', default: 0 } as const;
export const numbered = { type: 'integer', primary: true, generated: 'increment' } as const;
export const real = { type: 'real' } as const;
export const bytes = { type: 'blob' } as const;
export const bytesOrNull = { type: 'blob', nullable: true } as const;
