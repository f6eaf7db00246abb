import Joi from 'joi';
import { HIGHLIGHTS } from '@glossarion/core/document';
import {
  FIELD_TYPE_NAMES,
  type Choice,
  type Field,
  type HeldOfField,
  type Kind,
  type KnownKinds,
  type Likely,
  type LikelyPages,
  type PageOfKind,
  type PagesOfKind,
} from '@glossarion/core/kinds';
import type { AboutMeeting, LastMeeting, NamedPage } from '@glossarion/core/meetings';
import {
  all,
  date,
  shownTask,
  target,
  list,
  id,
  text,
  count,
  yesNo,
  pigment,
  content,
  heldFields,
  targets,
} from './answerForms';

/** What is answered of kinds and fields, and of meetings. */

const choiceKeys: { [K in keyof Choice]: Joi.Schema } = {
  id,
  name: text,
  pigment: Joi.string()
    .valid(...HIGHLIGHTS)
    .allow(null),
  isDeleted: yesNo,
};
const fieldKeys: { [K in keyof Field]: Joi.Schema } = {
  id,
  kindId: id,
  name: text,
  type: Joi.string().valid(...FIELD_TYPE_NAMES),
  order: text,
  unit: text,
  choices: list(all<Choice>(choiceKeys)),
  ofKind: id.allow(null),
  isDeleted: yesNo,
};
const kindKeys: { [K in keyof Kind]: Joi.Schema } = {
  id,
  name: text,
  broaderId: id.allow(null),
  pigment: pigment.allow(null),
  templateId: id.allow(null),
  placeId: id.allow(null),
  homeId: id.allow(null),
  isDeleted: yesNo,
};
export const knownKinds = all<KnownKinds>({
  kinds: list(all<Kind>(kindKeys)),
  fields: list(all<Field>(fieldKeys)),
  counts: Joi.object().pattern(id, count),
  targets,
});
export const pagesOfKind = all<PagesOfKind>({
  count,
  pages: list(all<PageOfKind>({ id, kinds: list(id), fields: heldFields })),
  targets,
});
export const likelyKinds = all<Likely>({
  likely: list(all<LikelyPages>({ kindId: id, pageIds: list(id) })),
  targets,
});
export const heldOfField = all<HeldOfField>({
  held: list(Joi.object({ pageId: id.required(), content: content.required() })),
  targets,
});

export const aboutMeeting = all<AboutMeeting>({
  named: list(all<NamedPage>({ id, title: text, isPerson: yesNo, isProject: yesNo })),
  last: all<LastMeeting>({ meeting: target, day: date, people: list(id), open: list(shownTask) }).allow(null),
  place: target.allow(null),
  targets,
});
