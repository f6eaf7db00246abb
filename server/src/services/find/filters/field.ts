import { FIELD_TYPES, type Field } from '@glossarion/core/kinds';
import { foldWords } from '@glossarion/core/words';
import type { Values } from '../../../access';
import { FIELD_BETWEEN, FIELD_HOLDS, FIELD_IS, FIELD_WITHIN, HAS_FIELD } from '../../../entities/find.queries';
import { spanOf } from './days';
import type { Condition, FilterContext, Resolved } from './filter';

/** 10..20, >=10, <20: the numbers between which one has to lie. */
const RANGE = /^(?<from>[^.<>]+)?\.\.(?<to>[^.<>]+)?$|^(?<sign>[<>]=?)(?<bound>.+)$/u;

type Reader = (fields: readonly Field[], value: string, key: string, context: FilterContext) => Condition | null;

const ids = (fields: readonly Field[]) => JSON.stringify(fields.map(({ id }) => id));

const between: Reader = (fields, value, key, { reading }) => {
  const figure = (words: string | undefined, otherwise: number) =>
    words === undefined ? otherwise : (FIELD_TYPES.number.read!(words, fields[0]!, reading) as number | null);
  const { from, to, sign, bound } = RANGE.exec(value.trim())?.groups ?? { from: value, to: value };
  const isUp = sign?.startsWith('>');
  const low = sign ? (isUp ? figure(bound, 0) : -Infinity) : figure(from, -Infinity);
  const high = sign ? (isUp ? Infinity : figure(bound, 0)) : figure(to, Infinity);
  if (low === null || high === null) return null;
  return { sql: FIELD_BETWEEN(key, `${key}Amount`), values: { [`${key}AmountFrom`]: low, [`${key}AmountTo`]: high } };
};

const within: Reader = (_fields, value, key, context) => {
  const span = spanOf(value, context);
  if (!span) return null;
  // What goes on beyond the day, its hours, is of it.
  const values = { [`${key}DayFrom`]: span.from, [`${key}DayTo`]: `${span.to}~` };
  return { sql: FIELD_WITHIN(key, `${key}Day`), values };
};

const read: Reader = (fields, value, key, { reading }) => {
  const atoms = fields.flatMap((field) => {
    const atom = FIELD_TYPES[field.type].read?.(value, field, reading) ?? null;
    return atom === null ? [] : String(atom);
  });
  if (atoms.length === 0) return null;
  return { sql: FIELD_IS(key, `${key}Atoms`), values: { [`${key}Atoms`]: JSON.stringify(atoms) } };
};

const pages: Reader = (_fields, value, key, { named }) => {
  const found = named(value);
  if (found.length === 0) return null;
  return { sql: FIELD_IS(key, `${key}Pages`), values: { [`${key}Pages`]: JSON.stringify(found.map(({ id }) => id)) } };
};

const holds: Reader = (_fields, value, key) => ({
  sql: FIELD_HOLDS(key, `${key}Words`),
  values: { [`${key}Words`]: `%${value.replaceAll(/[%_]/gu, '')}%` },
});

/** How the value of a field is asked for, by its type. */
const READERS: Readonly<Record<Field['type'], Reader>> = {
  text: holds,
  address: holds,
  number: between,
  date: within,
  span: within,
  choice: read,
  yesNo: read,
  pages,
};

/** What pages hold of fields that are called so; nothing when none is. */
export function fieldFilter(name: string, value: string, key: string, context: FilterContext): Resolved | null {
  const wanted = foldWords(name);
  const all = context.kinds.everything().fields;
  const fields = all.filter((field) => !field.isDeleted && foldWords(field.name) === wanted);
  if (fields.length === 0) return null;
  const held = { [key]: ids(fields) };
  if (value.trim() === '') return { sql: HAS_FIELD(key), values: held };
  const types = [...new Set(fields.map(({ type }) => type))];
  const conditions = types.flatMap((type, index) => {
    const own = fields.filter((field) => field.type === type);
    const condition = READERS[type](own, value, `${key}x${index}`, context);
    return condition ? { ...condition, values: { ...condition.values, [`${key}x${index}`]: ids(own) } } : [];
  });
  if (conditions.length === 0) return `“${value}” is nothing that “${name}” could hold.`;
  return {
    sql: `(${conditions.map(({ sql }) => sql).join(' OR ')})`,
    values: Object.assign({}, ...conditions.map(({ values }) => values)) as Values,
  };
}
