import { Router } from 'express';
import Joi from 'joi';
import type { Services } from '../services';
import { route, withId } from './route';

/** The bin: what was deleted, and the only way in which anything is deleted for good. */
export function binRoutes({ bin, forgetNames, notices }: Services): Router {
  const router = Router();
  const tell = (ownerId: string) => {
    forgetNames(ownerId);
    notices.send(ownerId, { pageId: null, changed: ['outline', 'title', 'links', 'desk'] });
  };

  route(
    router,
    {
      method: 'get',
      path: '/bin',
      summary: 'What is in the bin, or what of it holds these words.',
      query: Joi.object({ q: Joi.string().allow('').max(500).default('') }),
    },
    ({ account, query }) => bin.list(account.id, (query as { q: string }).q),
  );

  route(
    router,
    { method: 'get', path: '/bin/:id/breaks', summary: 'What breaks when this is deleted for good.', params: withId },
    ({ account, params }) => bin.breaks(account.id, params.id!),
  );

  route(
    router,
    { method: 'delete', path: '/bin/:id', summary: 'Deletes something in the bin for good.', params: withId },
    async ({ account, params }) => {
      await bin.purge(account.id, params.id!);
      tell(account.id);
    },
  );

  route(
    router,
    { method: 'delete', path: '/bin', summary: 'Deletes everything in the bin for good.' },
    async ({ account }) => {
      const gone = await bin.empty(account.id);
      tell(account.id);
      return { gone };
    },
  );

  return router;
}
