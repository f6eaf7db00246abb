import { Router } from 'express';
import Joi from 'joi';
import { isDay, isPeriod } from '@glossarion/core/journal';
import type { Services } from '../services';
import { day } from '../values';
import * as answers from './answers';
import { route } from './route';

/** A week, a month or a year. */
const period = Joi.string()
  .custom((value: string) => {
    if (!isPeriod(value) && !(/^\d{4}$/u.test(value) && isDay(`${value}-01-01`))) throw new Error('not a period');
    return value;
  }, 'a week (2026-W48), a month (2026-11) or a year')
  .required();

/** Looking back. */
export function reviewRoutes({ reviews }: Services): Router {
  const router = Router();
  route(
    router,
    {
      method: 'get',
      path: '/review/:period',
      answer: answers.review,
      summary: 'A look back on a week, a month or a year: what is counted of its days, and what took the time.',
      params: Joi.object({ period }),
      query: Joi.object({ today: day.required(), weekBegins: Joi.number().integer().min(0).max(6).default(1) }),
    },
    ({ viewer, params, query }) => {
      const { today, weekBegins } = query as { today: string; weekBegins: number };
      return reviews.of(viewer, params.period!, today, weekBegins);
    },
  );
  return router;
}
