import { Router } from 'express';
import Joi from 'joi';
import { shownIn, type BodyJson } from '@glossarion/core/document';
import { daysBetween, isPeriod } from '@glossarion/core/journal';
import { GLOSS_ORDERS, HEAD, JOURNAL, type MarginFilter } from '@glossarion/core/margin';
import { Problem } from '../problem';
import type { Viewer } from '../access';
import type { Services } from '../services';
import type { GlossPiece } from '../services/margin';
import { route } from './route';
import { day, id, line, withId } from '../values';
import * as answers from './answers';

/** No calendar is asked for more days: fourteen months. */
const MOST_DAYS = 430;

/** A piece of a long list. */
interface Piece {
  from: number;
  limit: number;
}

export const piece = (limit: number) => ({
  from: Joi.number().integer().min(0).max(1_000_000).default(0),
  limit: Joi.number().integer().min(1).max(500).default(limit),
});

/** What of all that points at a page is left. */
export const marginFilter = {
  notebook: Joi.alternatives(Joi.string().valid(JOURNAL), id),
  tag: line(200),
  kind: id,
  since: day,
  isWithoutAside: Joi.boolean(),
};

/** Pages for reading: a page with its text, its Margin, the days of the journal. */
export function pageRoutes({ entries, pages, margin, alsoNamed, kin, glimpses, journal }: Services): Router {
  const router = Router();

  const named = (viewer: Viewer, body: BodyJson) => entries.targets(viewer, shownIn([body]));

  route(
    router,
    {
      method: 'get',
      path: '/pages/:id',
      answer: answers.page,
      summary: 'A page: where it stands, its text, and what its links show.',
      params: withId,
    },
    ({ viewer, params }) => pages.read(viewer, params.id!),
  );

  route(
    router,
    {
      method: 'get',
      path: '/pages/:id/margin',
      answer: answers.margin,
      summary:
        'What points at a page, with the lines around each link and the line of the page that each stands beside.',
      params: withId,
      query: Joi.object({
        ...marginFilter,
        hasFacets: Joi.boolean().default(false),
        order: Joi.string()
          .valid(...GLOSS_ORDERS)
          .default('newest'),
        line: Joi.alternatives(Joi.string().valid(HEAD), id),
        ...piece(200),
      }),
    },
    ({ viewer, params, query }) => {
      const { from, limit, hasFacets, order, line: beside, ...filter } = query as MarginFilter & GlossPiece;
      return margin.glosses(viewer, params.id!, filter, { from, limit, hasFacets, order, line: beside });
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/pages/:id/alsoNamed',
      answer: answers.alsoNamed,
      summary: 'Lines that name a page, or a day, without linking it.',
      params: withId,
      query: Joi.object(piece(50)),
    },
    ({ viewer, params, query }) => {
      const { from, limit } = query as Piece;
      return alsoNamed.list(viewer, params.id!, from, limit);
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/pages/:id/kin',
      answer: answers.kin,
      summary: 'The pages most like one, as they were found last; missing ones are looked for.',
      params: withId,
    },
    ({ viewer, params }) => kin.of(viewer, params.id!),
  );

  route(
    router,
    {
      method: 'get',
      path: '/pages/:id/lines',
      answer: answers.lines,
      summary: 'Lines of a page that can be linked to, headings first.',
      params: withId,
      query: Joi.object({ q: Joi.string().allow('').max(200).default('') }),
    },
    ({ viewer, params, query }) => glimpses.lines(viewer, params.id!, (query as { q: string }).q),
  );

  route(
    router,
    {
      method: 'get',
      path: '/glimpses/:id',
      answer: answers.glimpse,
      summary: 'What a preview shows of anything with an id; with the lines around it where there is room.',
      params: withId,
      query: Joi.object({ around: Joi.boolean().default(false) }),
    },
    ({ viewer, params, query }) =>
      (query as { around: boolean }).around ? glimpses.around(viewer, params.id!) : glimpses.of(viewer, params.id!),
  );

  route(
    router,
    {
      method: 'get',
      path: '/journal/days/:day',
      answer: answers.day,
      summary: 'One day, from its template when nothing is written yet.',
      params: Joi.object({ day: day.required() }),
    },
    async ({ viewer, params }) => {
      const page = await journal.day(viewer, params.day!);
      return { ...page, targets: named(viewer, page.body) };
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/journal/days',
      answer: answers.days,
      summary: 'Written days before a day, newest first; or after one, the next first, until another.',
      query: Joi.object({
        before: day,
        after: day,
        until: day,
        limit: Joi.number().integer().min(1).max(31).default(7),
      })
        .xor('before', 'after')
        .with('after', 'until'),
    },
    ({ viewer, query }) => {
      const wish = query as { before?: string; after?: string; until?: string; limit: number };
      const days =
        wish.after === undefined
          ? journal.before(viewer, wish.before!, wish.limit)
          : journal.after(viewer, wish.after, wish.until!, wish.limit);
      return days.map((each) => ({ ...each, targets: named(viewer, each.body) }));
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/journal/calendar',
      answer: answers.calendar,
      summary: 'How much was written on each day of a span, and how many open tasks are due on it.',
      query: Joi.object({ from: day.required(), to: day.required() }),
    },
    ({ viewer, query }) => {
      const { from, to } = query as { from: string; to: string };
      const span = daysBetween(from, to);
      if (span < 0 || span > MOST_DAYS) throw new Problem(400, `A span is of at most ${MOST_DAYS} days.`);
      return journal.calendar(viewer, from, to);
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/journal/periods/:periods',
      answer: answers.periods,
      summary: 'The pages to write about weeks and months.',
      params: Joi.object({ periods: Joi.string().max(200).required() }),
    },
    ({ viewer, params }) => {
      const periods = params.periods!.split(',');
      if (!periods.every(isPeriod)) throw new Problem(400, 'A week is written 2026-W48, a month 2026-11.');
      return journal.periods(viewer, periods);
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/journal/days/:day/around',
      answer: answers.around,
      summary: 'What else happened on a day, and on the same date in earlier years.',
      params: Joi.object({ day: day.required() }),
    },
    ({ viewer, params }) => journal.around(viewer, params.day!),
  );

  return router;
}
