import { Router } from 'express';
import Joi from 'joi';
import type { Services } from '../services';
import { route } from './route';
import { withId } from '../values';
import * as answers from './answers';

/** The Desk, and what it is gathered from: pins, visits, tasks. */
export function deskRoutes({ desk, notices }: Services): Router {
  const router = Router();

  route(
    router,
    {
      method: 'get',
      path: '/desk',
      answer: answers.desk,
      summary: 'Pins, recents, this week, open tasks and unwritten pages.',
    },
    ({ viewer }) => desk.desk(viewer),
  );

  route(
    router,
    { method: 'get', path: '/pins', answer: answers.targets, summary: 'What is pinned, in order.' },
    ({ viewer }) => desk.pins(viewer),
  );

  route(
    router,
    {
      method: 'get',
      path: '/recent',
      answer: answers.targets,
      summary: 'The pages opened last.',
      query: Joi.object({ limit: Joi.number().integer().min(1).max(50).default(12) }),
    },
    ({ viewer, query }) => desk.recent(viewer, (query as { limit: number }).limit),
  );

  route(
    router,
    { method: 'post', path: '/entries/:id/visits', summary: 'Notes that a page was opened.', params: withId },
    async ({ viewer, params }) => {
      await desk.visit(viewer, params.id!);
      notices.send(viewer.accountId, { what: 'desk', ids: null });
    },
  );

  return router;
}
