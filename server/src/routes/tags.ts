import { Router } from 'express';
import Joi from 'joi';
import { PIGMENTS } from '@glossarion/core/outline';
import type { Services } from '../services';
import type { TagChanges } from '../services/tags';
import { route } from './route';
import { line, withId } from '../values';
import * as answers from './answers';

/** Tags: their names and pigments. */
export function tagRoutes({ tags, notices }: Services): Router {
  const router = Router();

  route(
    router,
    { method: 'get', path: '/tags', answer: answers.tags, summary: 'All tags, by their names.' },
    ({ viewer }) => tags.list(viewer),
  );

  route(
    router,
    {
      method: 'patch',
      path: '/tags/:id',
      refusals: [409],
      summary: 'Calls a tag otherwise, sets it beneath another, or gives it a pigment.',
      params: withId,
      body: Joi.object({ path: line(1000), pigment: Joi.valid(...PIGMENTS, null) }).min(1),
    },
    async ({ viewer, params, body }) => {
      const ids = await tags.change(viewer, params.id!, body as TagChanges);
      if (ids.length > 0) notices.send(viewer.accountId, { what: 'title', ids });
    },
  );

  return router;
}
