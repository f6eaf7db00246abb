import Joi from 'joi';
import type { OfferedTag, TagLines, TagUses } from '@glossarion/core/margin';
import type { Tag } from '@glossarion/core/tags';
import { all, count, date, id, list, moment, pigment, targets, text } from './answerForms';
import { facets, gloss } from './marginAnswers';

/** What is answered of tags. */

export const tags = list(
  all<Tag & { path: string }>({
    id,
    parentId: id.allow(null),
    name: text,
    pigment: pigment.allow(null),
    mergedInto: id.allow(null),
    deletedAt: moment.allow(null),
    path: text,
  }),
);
export const tagUses = list(all<TagUses>({ tag: id, lines: count }));
export const offeredTags = list(all<OfferedTag>({ tag: id, name: text, because: list(text) }));
export const tagLines = all<TagLines>({
  total: count,
  pages: count,
  count,
  entries: list(Joi.object({ gloss: gloss.required(), on: date.required() })),
  targets,
  facets,
});
