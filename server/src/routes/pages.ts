import { Router } from 'express';
import Joi from 'joi';
import type { BodyJson } from '@glossarion/core/document';
import { namedIn } from '@glossarion/core/margin';
import type { Services } from '../services';
import { day, route, withId } from './route';

/** Pages for reading: a page with its text, its Margin, the days of the journal. */
export function pageRoutes({ database, entries, margin, journal }: Services): Router {
  const router = Router();

  const named = (ownerId: string, body: BodyJson) => entries.targets(ownerId, namedIn([body]).links);

  route(
    router,
    {
      method: 'get',
      path: '/pages/:id',
      summary: 'A page: where it stands, its text, and what its links show.',
      params: withId,
    },
    ({ account, params }) => {
      const entry = entries.own(account.id, params.id!);
      const stored = database.first<{ json: string }>('SELECT json FROM bodies WHERE pageId = ?', entry.id);
      const body = (stored ? JSON.parse(stored.json) : { type: 'doc', content: [] }) as BodyJson;
      const { row: _row, ownerId: _owner, season: ownSeason, ...rest } = entry;
      return { ...rest, ownSeason, ...entries.place(account.id, entry.id), body, targets: named(account.id, body) };
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/pages/:id/margin',
      summary: 'What points at a page, with the lines around each link.',
      params: withId,
    },
    ({ account, params }) =>
      entries.exists(params.id!) ? margin.glosses(account.id, params.id!) : { glosses: [], targets: [] },
  );

  route(
    router,
    {
      method: 'get',
      path: '/journal/days/:day',
      summary: 'One day, from its template when nothing is written yet.',
      params: Joi.object({ day: day.required() }),
    },
    ({ account, params }) => {
      const page = journal.day(account.id, params.day!);
      return { ...page, targets: named(account.id, page.body) };
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/journal/days',
      summary: 'Written days before a day, newest first.',
      query: Joi.object({ before: day.required(), limit: Joi.number().integer().min(1).max(31).default(7) }),
    },
    ({ account, query }) => {
      const wish = query as { before: string; limit: number };
      const days = journal.before(account.id, wish.before, wish.limit);
      return days.map((each) => ({ ...each, targets: named(account.id, each.body) }));
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/journal/week',
      summary: 'The words written on the seven days that end with this one.',
      query: Joi.object({ day: day.required() }),
    },
    ({ account, query }) => journal.week(account.id, (query as { day: string }).day),
  );

  return router;
}
