/** What a value that comes with an act must be. The server's check, and its description, are made of it. */
export type Field = FieldKind & { isOptional?: true; orNull?: true };

type FieldKind =
  | { is: 'id' }
  | { is: 'day' }
  | { is: 'orderKey' }
  | { is: 'yesNo' }
  /** Blocks of a body, checked against its schema when they are put there. */
  | { is: 'nodes' }
  /** One line of text, of at most so many characters. */
  | { is: 'line'; most: number }
  /** Text of several lines, of at most so many characters. */
  | { is: 'text'; most: number }
  | { is: 'number'; least: number; most: number }
  /** Any number there is. */
  | { is: 'amount' }
  | { is: 'oneOf'; values: readonly string[] }
  | { is: 'list'; of: Field; most: number }
  | { is: 'fields'; of: Readonly<Record<string, Field>> }
  /** Lines by names of one's own choice. */
  | { is: 'answers'; most: number }
  | { is: 'either'; of: readonly Field[] };

/** What an act brings along beside what it does and the id it does it to: a field for each. */
export type Shape<A> = { readonly [K in Exclude<keyof A, 'do' | 'id'>]-?: Field };

export const id: Field = { is: 'id' };
export const day: Field = { is: 'day' };
export const orderKey: Field = { is: 'orderKey' };
export const yesNo: Field = { is: 'yesNo' };
export const nodes: Field = { is: 'nodes' };
export const line = (most: number): Field => ({ is: 'line', most });
export const text = (most: number): Field => ({ is: 'text', most });
export const amount: Field = { is: 'amount' };
export const number = (least: number, most: number): Field => ({ is: 'number', least, most });
export const oneOf = (values: readonly string[]): Field => ({ is: 'oneOf', values });
export const list = (of: Field, most: number): Field => ({ is: 'list', of, most });
export const fields = (of: Readonly<Record<string, Field>>): Field => ({ is: 'fields', of });
export const answers = (most: number): Field => ({ is: 'answers', most });
export const either = (...of: Field[]): Field => ({ is: 'either', of });
export const optional = (field: Field): Field => ({ ...field, isOptional: true });
export const orNull = (field: Field): Field => ({ ...field, orNull: true });
