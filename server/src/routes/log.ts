import { Router } from 'express';
import Joi from 'joi';
import { LOG_ORDERS } from '@glossarion/core/log';
import type { MarginFilter } from '@glossarion/core/margin';
import type { Services } from '../services';
import type { LogWish } from '../services/log';
import * as answers from './answers';
import { withId } from '../values';
import { marginFilter, piece } from './pages';
import { route } from './route';

/** What was said of a page, by date. */
export function logRoutes({ logs }: Services): Router {
  const router = Router();
  route(
    router,
    {
      method: 'get',
      path: '/pages/:id/log',
      answer: answers.log,
      summary: 'What the journal and other pages said of a page, by date; of a project also what was done for it.',
      params: withId,
      query: Joi.object({
        ...marginFilter,
        order: Joi.string()
          .valid(...LOG_ORDERS)
          .default('newest'),
        ...piece(100),
      }),
    },
    ({ viewer, params, query }) => {
      const { from, limit, order, ...filter } = query as MarginFilter & LogWish;
      return logs.of(viewer, params.id!, filter, { from, limit, order });
    },
  );
  return router;
}
