import Joi from 'joi';
import { MAX_BLOCKS } from '@glossarion/core/document';
import { ACTS, ACT_KINDS, type Field } from '@glossarion/core/acts';
import { day, id, line, lines } from '../values';

/** Lines by names of one's own choice: of a name, and of what is said to it, so many characters at most. */
const ANSWER_NAME = /^[^\u0000-\u001F\u007F]{0,200}$/u;
const ANSWER = 2_000;

const orderKey = Joi.string().pattern(/^[0-9A-Za-z]{1,200}$/u);
const nodes = Joi.array().items(Joi.object().unknown()).max(MAX_BLOCKS);

/** The check of each kind of field that acts bring along (core/acts/shape). */
const CHECKS: { [K in Field['is']]: (field: Extract<Field, { is: K }>) => Joi.Schema } = {
  id: () => id,
  day: () => day,
  orderKey: () => orderKey,
  // Of several that something may be, what is written as a word is none of these.
  yesNo: () => Joi.boolean().strict(),
  nodes: () => nodes,
  line: ({ most }) => line(most),
  text: ({ most }) => lines(most),
  amount: () => Joi.number().unsafe().strict(),
  number: ({ least, most }) => Joi.number().integer().min(least).max(most),
  oneOf: ({ values }) => Joi.string().valid(...values),
  list: ({ of, most }) => Joi.array().items(checkOf(of)).max(most),
  fields: ({ of }) => Joi.object(checksOf(of)),
  answers: ({ most }) => Joi.object().pattern(ANSWER_NAME, line(ANSWER)).max(most).default({}),
  either: ({ of }) => Joi.alternatives(...of.map(checkOf)),
};

function checkOf(field: Field): Joi.Schema {
  const check = (CHECKS[field.is] as (field: Field) => Joi.Schema)(field);
  return field.orNull ? check.allow(null) : check;
}

/** Fields by name; answers that are not given are none. */
const checksOf = (fields: Readonly<Record<string, Field>>): Joi.SchemaMap =>
  Object.fromEntries(
    Object.entries(fields).map(([name, field]) => {
      const mayLack = field.isOptional || field.is === 'answers';
      return [name, mayLack ? checkOf(field) : checkOf(field).required()];
    }),
  );

/** Marks what is checked only to be refused with a sentence. */
export const UNDESCRIBED = 'x-undescribed';

/** An act, checked by the shape it says it has. */
export const anyAct = Joi.alternatives().conditional(Joi.ref('.do'), {
  switch: ACT_KINDS.map((kind) => ({
    is: kind,
    then: Joi.object({ do: Joi.string().valid(kind).required(), id: id.required(), ...checksOf(ACTS[kind].shape) }),
  })),
  otherwise: Joi.object({
    do: Joi.string()
      .valid(...ACT_KINDS)
      .required(),
  })
    .unknown()
    .meta({ [UNDESCRIBED]: true }),
});
