import { Router } from 'express';
import Joi from 'joi';
import type { Services } from '../services';
import { withId } from '../values';
import * as answers from './answers';
import { route } from './route';

const piece = Joi.object({
  from: Joi.number().integer().min(0).max(1_000_000).default(0),
  limit: Joi.number().integer().min(1).max(500).default(200),
});

/** What pages may be of. They are changed by acts. */
export function kindRoutes({ pagesOfKinds }: Services): Router {
  const router = Router();
  route(
    router,
    {
      method: 'get',
      path: '/kinds',
      answer: answers.knownKinds,
      summary: 'All kinds that pages may be of, with their fields.',
    },
    ({ viewer }) => pagesOfKinds.known(viewer),
  );
  route(
    router,
    {
      method: 'get',
      path: '/kinds/:id/pages',
      answer: answers.pagesOfKind,
      summary: 'The pages of a kind, and of those that take its fields over.',
      params: withId,
      query: piece,
    },
    ({ viewer, params, query }) => {
      const { from, limit } = query as { from: number; limit: number };
      return pagesOfKinds.of(viewer, params.id!, from, limit);
    },
  );
  route(
    router,
    {
      method: 'get',
      path: '/likely-kinds',
      answer: answers.likelyKinds,
      summary: 'Pages of no kind that look like those of one, by what they stand in.',
    },
    ({ viewer }) => pagesOfKinds.likely(viewer),
  );
  route(
    router,
    {
      method: 'get',
      path: '/fields/:id/held',
      answer: answers.heldOfField,
      summary: 'What pages hold of a field.',
      params: withId,
    },
    ({ viewer, params }) => pagesOfKinds.held(viewer, params.id!),
  );
  return router;
}
