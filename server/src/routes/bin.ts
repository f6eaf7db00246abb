import { Router } from 'express';
import Joi from 'joi';
import type { Services } from '../services';
import { anywhere } from '../services/told';
import { route } from './route';
import { withId } from '../values';
import * as answers from './answers';

/** The bin: what was deleted, and the only way in which anything is deleted for good. */
export function binRoutes({ bin, forgetNames, notices }: Services): Router {
  const router = Router();
  const tell = (accountId: string) => {
    forgetNames(accountId);
    notices.send(accountId, ...anywhere(['outline', 'title', 'links', 'desk']));
  };

  route(
    router,
    {
      method: 'get',
      path: '/bin',
      answer: answers.bin,
      summary: 'What is in the bin, or what of it holds these words.',
      query: Joi.object({ q: Joi.string().allow('').max(500).default('') }),
    },
    ({ viewer, query }) => bin.list(viewer, (query as { q: string }).q),
  );

  route(
    router,
    {
      method: 'get',
      path: '/bin/:id/breaks',
      answer: answers.breaks,
      refusals: [403, 409],
      summary: 'What breaks when this is deleted for good.',
      params: withId,
    },
    ({ viewer, params }) => bin.breaks(viewer, params.id!),
  );

  route(
    router,
    {
      method: 'delete',
      path: '/bin/:id',
      refusals: [409],
      summary: 'Deletes something in the bin for good.',
      params: withId,
    },
    async ({ viewer, params }) => {
      await bin.purge(viewer, params.id!);
      tell(viewer.accountId);
    },
  );

  route(
    router,
    { method: 'delete', path: '/bin', answer: answers.emptied, summary: 'Deletes everything in the bin for good.' },
    async ({ viewer }) => {
      const gone = await bin.empty(viewer);
      tell(viewer.accountId);
      return { gone };
    },
  );

  return router;
}
