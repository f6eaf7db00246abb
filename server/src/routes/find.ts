import { Router } from 'express';
import Joi from 'joi';
import { LISTED, LISTED_ORDERS, MOST_LISTED } from '@glossarion/core/document';
import type { Services } from '../services';
import type { Habits } from '../services/find';
import type { FoundListWish } from '../services/foundLists';
import { habits } from '../values';
import { route } from './route';
import * as answers from './answers';

const typed = Joi.string().allow('').max(500).required();

/** Finding by words and by name. */
export function findRoutes({ find, foundLists, pickables, webTitles }: Services): Router {
  const router = Router();

  route(
    router,
    {
      method: 'get',
      path: '/find',
      answer: answers.found,
      summary: 'What a query line finds, best first, with the lines that fit.',
      query: Joi.object({ q: typed, limit: Joi.number().integer().min(1).max(200).default(24), ...habits }),
    },
    ({ viewer, query }) => {
      const { q, limit, ...wish } = query as { q: string; limit: number } & Habits;
      return find.find(viewer, q, limit, wish);
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/find/counts',
      answer: answers.counted,
      summary: 'How many pages a query line finds, by notebook, kind and tag.',
      query: Joi.object({ q: typed, ...habits }),
    },
    ({ viewer, query }) => {
      const { q, ...wish } = query as { q: string } & Habits;
      return find.counts(viewer, q, wish);
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/find/words',
      answer: answers.soughtWords,
      summary:
        'What stands for words when they are looked for: forms, spellings, slips, and what they name, by tokens.',
      query: Joi.object({ q: typed }),
    },
    ({ viewer, query }) => find.words(viewer, (query as { q: string }).q),
  );

  route(
    router,
    {
      method: 'get',
      path: '/find/list',
      answer: answers.foundList,
      summary: 'What a query line finds as a list on a page shows it: pages, lines that fit, or open tasks.',
      query: Joi.object({
        q: typed,
        of: Joi.string()
          .valid(...LISTED)
          .required(),
        by: Joi.string()
          .valid(...LISTED_ORDERS)
          .default('best'),
        most: Joi.number().integer().min(1).max(MOST_LISTED).default(10),
        ...habits,
      }),
    },
    ({ viewer, query }) => {
      const { order, weekBegins, ...wish } = query as FoundListWish & Habits;
      return foundLists.of(viewer, wish, { order, weekBegins });
    },
  );

  route(
    router,
    { method: 'get', path: '/searches', answer: answers.searches, summary: 'The saved searches, in order.' },
    ({ viewer }) => find.saved(viewer),
  );

  route(
    router,
    {
      method: 'get',
      path: '/names',
      answer: answers.targets,
      summary: 'Pages, sections and notebooks with a name like this; slips of the finger are forgiven.',
      query: Joi.object({ q: typed, limit: Joi.number().integer().min(1).max(50).default(8) }),
    },
    ({ viewer, query }) => {
      const wish = query as { q: string; limit: number };
      return find.byName(viewer, wish.q, wish.limit);
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/pickables',
      answer: answers.pickables,
      summary: 'What links can lead to, for choosing from in a window: all of it, or what changed since a revision.',
      query: Joi.object({ since: Joi.number().integer().min(0).allow(null).default(null) }),
    },
    ({ viewer, query }) => pickables.since(viewer, (query as { since: number | null }).since),
  );

  route(
    router,
    {
      method: 'get',
      path: '/web-title',
      answer: answers.webTitle,
      summary: 'The title of a web address, as the made-up web knows it; no request leaves.',
      query: Joi.object({
        address: Joi.string()
          .max(4096)
          .uri({ scheme: ['http', 'https'] })
          .required(),
      }),
    },
    ({ query }) => ({ title: webTitles.of((query as { address: string }).address) }),
  );

  return router;
}
