import { Router } from 'express';
import Joi from 'joi';
import { TAG_ORDERS, type MarginFilter } from '@glossarion/core/margin';
import type { Services } from '../services';
import type { TagLinesWish } from '../services/wornTags';
import * as answers from './answers';
import { id, withId } from '../values';
import { marginFilter, piece } from './pages';
import { route } from './route';

/** The most tags that are combined. */
const COMBINED = 8;

/** Tags: what they are called, what wears them, and which a page may wear. */
export function tagRoutes({ tags, wornTags }: Services): Router {
  const router = Router();

  route(
    router,
    { method: 'get', path: '/tags', answer: answers.tags, summary: 'All tags, by their names.' },
    ({ viewer }) => tags.list(viewer),
  );

  route(
    router,
    { method: 'get', path: '/tags/uses', answer: answers.tagUses, summary: 'How many lines wear each tag.' },
    ({ viewer }) => wornTags.uses(viewer),
  );

  route(
    router,
    {
      method: 'get',
      path: '/tags/:id/lines',
      answer: answers.tagLines,
      summary: 'The lines that wear a tag, or one beneath it, by page or by day.',
      params: withId,
      query: Joi.object({
        ...marginFilter,
        also: Joi.array().items(id).single().max(COMBINED).default([]),
        order: Joi.string()
          .valid(...TAG_ORDERS)
          .default('page'),
        ...piece(100),
      }),
    },
    ({ viewer, params, query }) => {
      const { also, order, from, limit, tag: _tag, ...filter } = query as MarginFilter & TagLinesWish;
      return wornTags.of(viewer, params.id!, filter, { also, order, from, limit });
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/pages/:id/tags/offered',
      answer: answers.offeredTags,
      summary: 'Tags that a page may wear, for what it is like.',
      params: withId,
    },
    ({ viewer, params }) => wornTags.offered(viewer, params.id!),
  );

  return router;
}
