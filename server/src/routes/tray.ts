import { Router } from 'express';
import Joi from 'joi';
import type { Services } from '../services';
import { day } from '../values';
import * as answers from './answers';
import { route } from './route';

/** The Tray, where jottings wait. What is done with them are acts. */
export function trayRoutes({ tray }: Services): Router {
  const router = Router();
  route(
    router,
    {
      method: 'get',
      path: '/tray',
      answer: answers.tray,
      summary: 'The jottings that wait, come back, or are kept; first come first.',
    },
    ({ viewer }) => tray.tray(viewer),
  );

  route(
    router,
    {
      method: 'get',
      path: '/tray/waiting',
      answer: answers.taskCount,
      summary: 'How many jottings wait.',
      query: Joi.object({ today: day.required() }),
    },
    async ({ viewer, query }) => ({ count: await tray.waiting(viewer, (query as { today: string }).today) }),
  );
  return router;
}
