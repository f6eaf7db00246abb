import Joi from 'joi';
import { ACT_KINDS } from '@glossarion/core/acts';
import type { ShownTask } from '@glossarion/core/tasks';
import { LINK_STATES, type Target } from '@glossarion/core/links';
import { ENTRY_KINDS, OUTSIDE, PIGMENTS, SEASONS, type TrailStep } from '@glossarion/core/outline';

/** What answers are made of (answers). */

/** An object with all of these and nothing else. */
export const all = <T>(keys: { [K in keyof Required<T>]: Joi.Schema }): Joi.ObjectSchema =>
  Joi.object(Object.fromEntries(Object.entries<Joi.Schema>(keys).map(([name, schema]) => [name, schema.required()])));

export const list = (of: Joi.Schema): Joi.ArraySchema => Joi.array().items(of);

export const id = Joi.string().guid();
export const text = Joi.string().allow('');
export const count = Joi.number().integer().min(0);
export const yesNo = Joi.boolean();
/** Columns that say yes or no. */
export const bit = Joi.number().valid(0, 1);
export const moment = Joi.string().isoDate();
export const date = Joi.string().pattern(/^\d{4}-\d\d-\d\d$/u);
export const entryKind = Joi.string().valid(...ENTRY_KINDS);
export const pigment = Joi.string().valid(...PIGMENTS);
export const season = Joi.string().valid(...SEASONS);
export const ownSeason = Joi.string().valid(...SEASONS.filter((each) => each !== 'now'));

/** A block, or a node within one, in ProseMirror's form (core/document). */
export const node = Joi.object({
  type: Joi.string().required(),
  attrs: Joi.object().unknown(),
  content: Joi.array().items(Joi.object().unknown()),
  marks: Joi.array().items(Joi.object().unknown()),
  text: Joi.string(),
});
/** What a page holds of fields, by their ids (core/document/fields). */
export const content = Joi.object({
  atom: Joi.alternatives(Joi.string().allow(''), Joi.number(), yesNo),
  text,
  pages: list(id),
});
export const heldFields = Joi.object().pattern(id, content);
export const body = Joi.object({
  type: Joi.string().valid('doc').required(),
  content: list(node).required(),
  kinds: list(id),
  fields: heldFields,
});

export const standsIn = Joi.string()
  .valid(...OUTSIDE)
  .allow(null);

export const step = all<TrailStep>({ id, kind: entryKind, name: text });
export const targetKeys: { [K in keyof Target]: Joi.Schema } = {
  id,
  kind: Joi.string().valid(...ENTRY_KINDS, 'block', 'tag'),
  pageId: id,
  title: text,
  state: Joi.string().valid(...LINK_STATES),
  season,
  trail: list(step),
  pigment: pigment.allow(null),
  day: date.allow(null),
  standsIn,
};

export const target = all<Target>(targetKeys);
export const targets = list(target);

/** A task as it is shown elsewhere than on its page. */
export const shownTask = all<ShownTask>({ blockId: id, page: target, node, beneath: list(node), putOffs: count });

/** A shown text, cut where something in it is marked. */
export const pieces = list(Joi.object({ text: text.required(), isMarked: yesNo.required() }));

/** Acts, as they are asked for again. */
export const someActs = list(
  Joi.object({
    do: Joi.string()
      .valid(...ACT_KINDS)
      .required(),
  }).unknown(),
);
