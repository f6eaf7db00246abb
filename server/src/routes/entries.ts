import { Router } from 'express';
import Joi from 'joi';
import { OVERVIEW_LEVELS } from '@glossarion/core/overview';
import type { Services } from '../services';
import { route } from './route';
import { id, withId } from '../values';
import * as answers from './answers';

/** Notebooks, sections and pages as they are read: where they stand and what stands in them. */
export function entryRoutes({ entries, outline, notices }: Services): Router {
  const router = Router();

  route(
    router,
    { method: 'get', path: '/notebooks', answer: answers.contentsEntries, summary: 'The notebooks in their order.' },
    ({ viewer }) => outline.notebooks(viewer),
  );

  route(
    router,
    {
      method: 'get',
      path: '/entries/:id',
      answer: answers.entryInfo,
      summary: 'One notebook, section or page and where it stands.',
      params: withId,
    },
    ({ viewer, params }) => {
      return entries.info(viewer, params.id!);
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/entries/:id/contents',
      answer: answers.contents,
      summary: 'What stands beneath it, as far down as it was opened.',
      params: withId,
    },
    ({ viewer, params }) => outline.contents(viewer, params.id!),
  );

  route(
    router,
    {
      method: 'get',
      path: '/entries/:id/beneath',
      answer: answers.beneath,
      summary: 'What is for now beneath it, some levels down, for overviews and leaves.',
      params: withId,
      query: Joi.object({
        levels: Joi.number()
          .valid(...OVERVIEW_LEVELS)
          .default(1),
      }),
    },
    ({ viewer, params, query }) => outline.beneath(viewer, params.id!, (query as { levels: number }).levels),
  );

  route(
    router,
    {
      method: 'put',
      path: '/entries/:id/fold',
      summary: 'Opens or folds a level of the contents, or what of a notebook is for later or laid aside.',
      params: withId,
      body: Joi.object({
        isOpen: Joi.boolean().required(),
        season: Joi.string().valid('later', 'aside').allow(null).default(null),
      }),
    },
    async ({ viewer, params, body }) => {
      const { isOpen, season } = body as { isOpen: boolean; season: string | null };
      await outline.fold(viewer, params.id!, isOpen, season);
      const above = entries.reader(viewer).line(params.id!);
      notices.send(viewer.accountId, { what: 'folds', ids: above.map(({ id }) => id) });
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/targets',
      answer: answers.targets,
      summary: 'What links show of these ids: present title, trail, state.',
      query: Joi.object({ ids: Joi.string().max(8000).required() }),
    },
    ({ viewer, query }) => {
      const wish = query as { ids: string };
      const wanted = wish.ids.split(',').filter((each) => !id.validate(each).error);
      return entries.targets(viewer, wanted.slice(0, 200));
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/blocks/:id',
      answer: answers.blockPlace,
      summary: 'The page a block stands on, now or formerly.',
      params: withId,
    },
    ({ viewer, params }) => {
      const block = entries.block(viewer, params.id!);
      return block ? { pageId: block.pageId, blockId: block.blockId } : { pageId: null, blockId: null };
    },
  );

  return router;
}
