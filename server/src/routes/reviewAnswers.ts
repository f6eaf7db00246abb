import Joi from 'joi';
import {
  TAKING,
  type PeriodCounts,
  type Review,
  type ReviewedBar,
  type Took,
  type WholeReview,
} from '@glossarion/core/review';
import { all, count, date, id, list, targets, text } from './answerForms';

/** What is answered of a look back. */

const countKeys: { [K in keyof PeriodCounts]: Joi.Schema } = {
  words: Joi.number().integer(),
  tasksDone: count,
  tasksPutOff: count,
  tasksCome: count,
  pagesBegun: count,
  pagesChanged: count,
  daysWritten: count,
};
const counts = all<PeriodCounts>(countKeys);

export const review = all<WholeReview>({
  review: all<Review>({
    period: text,
    counts,
    before: Joi.object({
      period: text.required(),
      days: Joi.object({ first: date.required(), last: date.required() }).required(),
      counts: counts.required(),
    }),
    bars: list(all<ReviewedBar>({ name: text, first: date, last: date, counts })),
  }),
  took: list(
    all<Took>({
      pageId: id,
      kind: Joi.string().valid(...TAKING),
      lines: count,
      words: count,
      linesBefore: count,
      days: list(date),
    }),
  ),
  targets,
});
