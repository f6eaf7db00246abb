import Joi from 'joi';
import type { LogPiece } from '@glossarion/core/log';
import type { FoundList, Gloss, MarginFacets, MarginPage, MarginStack } from '@glossarion/core/margin';
import { all, count, date, id, list, moment, node, pigment, standsIn, step, targets, text, yesNo } from './answerForms';

/** What is answered of the lines that stand in Margins and logs. */

export const gloss = all<Gloss>({
  blockId: id,
  field: text.allow(null),
  heldOn: date.allow(null),
  pageId: id,
  pageTitle: text,
  trail: list(step),
  pigment: pigment.allow(null),
  day: date.allow(null),
  standsIn,
  changedAt: moment,
  targetBlockId: id.allow(null),
  lineId: id.allow(null),
  isMoved: yesNo,
  above: list(Joi.object({ blockId: id.required(), words: text.required() })),
  node,
  children: list(node),
  links: list(id),
  tags: list(id),
});
const countedKinds = list(Joi.object({ kind: id.required(), name: text.required(), count: count.required() }));
export const facets = all<MarginFacets>({
  notebooks: list(
    Joi.object({
      id: text.required(),
      name: text.required(),
      pigment: pigment.allow(null).required(),
      count: count.required(),
    }),
  ),
  tags: list(Joi.object({ tag: id.required(), name: text.required(), count: count.required() })),
  kinds: countedKinds,
  aside: count,
});
export const margin = all<MarginPage>({
  total: count,
  count,
  stacks: list(
    all<MarginStack>({
      lineId: id.allow(null),
      count,
      pigments: list(pigment.allow(null)),
      firstWords: text,
    }),
  ),
  glosses: list(gloss),
  targets,
  facets: facets.allow(null),
});

export const log = all<LogPiece>({
  count,
  months: list(Joi.object({ month: text.required(), count: count.required() })),
  entries: list(Joi.object({ gloss: gloss.required(), on: date.required(), isDone: yesNo.required() })),
  targets,
  kinds: countedKinds,
});

export const foundList = all<FoundList>({
  count,
  isMore: yesNo,
  pages: targets,
  glosses: list(gloss),
  targets,
  remarks: list(text),
});
