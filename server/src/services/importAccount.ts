import Joi from 'joi';
import { ACCOUNT_FORMAT, ACCOUNT_VERSION, type AccountFile } from '@glossarion/core/formats/account';
import { HIGHLIGHTS } from '@glossarion/core/document';
import { FIELD_TYPE_NAMES, MAX_CHOICES, MAX_KIND_NAME } from '@glossarion/core/kinds';
import { PIGMENTS, JOTTING_STATES } from '@glossarion/core/outline';
import { day, id } from '../values';

/** The form of the file of an account; what a later version says beside it is left. */

const text = Joi.string().allow('');
const list = (of: Joi.Schema, most: number) => Joi.array().items(of).max(most).default([]);
const moment = Joi.string().isoDate();
const of = (keys: Joi.SchemaMap) => Joi.object(keys).unknown(true);

const form = of({
  format: Joi.valid(ACCOUNT_FORMAT).required(),
  version: Joi.number().integer().min(1).max(ACCOUNT_VERSION).required(),
  account: id.required(),
  entries: list(
    of({
      id: id.required(),
      day,
      period: Joi.string().max(10),
      jotting: Joi.valid(...JOTTING_STATES),
      comesBack: day,
      isTemplate: Joi.valid(true),
      templateId: id,
      madeFrom: id,
      mergedInto: id,
    }),
    1_000_000,
  ),
  tags: list(
    of({
      id: id.required(),
      parentId: id.allow(null).required(),
      name: Joi.string().max(200).required(),
      pigment: Joi.valid(...PIGMENTS),
      mergedInto: id,
      deletedAt: moment,
      body: Joi.object({ type: Joi.valid('doc').required(), content: Joi.array().required() }).unknown(true),
    }),
    200_000,
  ),
  kinds: list(
    Joi.object({
      id: id.required(),
      name: text.max(MAX_KIND_NAME).required(),
      broaderId: id.allow(null).required(),
      pigment: Joi.valid(...PIGMENTS, null).required(),
      templateId: id.allow(null).required(),
      placeId: id.allow(null).required(),
      homeId: id.allow(null).required(),
      isDeleted: Joi.boolean().required(),
    }),
    10_000,
  ),
  fields: list(
    Joi.object({
      id: id.required(),
      kindId: id.required(),
      name: text.max(MAX_KIND_NAME).required(),
      type: Joi.valid(...FIELD_TYPE_NAMES).required(),
      order: Joi.string().max(200).required(),
      unit: text.max(200).required(),
      choices: Joi.array()
        .items(
          Joi.object({
            id: id.required(),
            name: text.max(MAX_KIND_NAME).required(),
            pigment: Joi.valid(...HIGHLIGHTS, null).required(),
            isDeleted: Joi.boolean().required(),
          }),
        )
        .max(MAX_CHOICES)
        .required(),
      ofKind: id.allow(null).required(),
      isDeleted: Joi.boolean().required(),
    }),
    50_000,
  ),
  savedSearches: list(
    of({ id: id.required(), name: text.max(200).required(), line: text.max(2_000).required() }),
    10_000,
  ),
  pins: list(id, 10_000),
  settings: Joi.object().pattern(Joi.string().max(200), Joi.any()).default({}),
  happenings: list(
    Joi.object({
      documentId: id.required(),
      what: Joi.valid('done', 'dropped', 'putOff', 'moved', 'words').required(),
      day: day.required(),
      blockId: id,
      occurrence: Joi.string().max(40),
      fromDay: Joi.string().max(40),
      toDay: Joi.string().max(40),
      words: Joi.number().integer(),
      isTakenBack: Joi.valid(true),
    }),
    5_000_000,
  ),
  movedGlosses: list(
    of({ targetId: id.required(), blockId: id.required(), lineId: id.allow(null).required() }),
    1_000_000,
  ),
  unlinked: list(of({ targetId: id.required(), documentId: id.required(), blockId: id.required() }), 1_000_000),
  files: list(
    of({
      id: id.required(),
      path: Joi.string().max(1_000).required(),
      name: text.max(400).required(),
      media: text.max(200),
    }),
    1_000_000,
  ),
});

/** What an account says beside its pages; why it can't be understood, when it can't. */
export function readAccountFile(written: string): AccountFile | { refusal: string } {
  let read: unknown;
  try {
    read = JSON.parse(written);
  } catch {
    return { refusal: 'It is no JSON, and was left out.' };
  }
  const { value, error } = form.validate(read, { convert: true }) as Joi.ValidationResult<AccountFile>;
  if (error) return { refusal: `It is not in the form of an account, and was left out: ${error.message}.` };
  return value;
}
