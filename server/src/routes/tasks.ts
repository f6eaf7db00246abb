import { Router } from 'express';
import Joi from 'joi';
import { GATHERINGS } from '@glossarion/core/tasks';
import type { Services } from '../services';
import type { ListWish } from '../services/taskLists';
import { day, id, withId } from '../values';
import * as answers from './answers';
import { route } from './route';

/** A word of a span of days, or an id. */
const group = Joi.string().allow('').max(40);

/** Tasks, wherever they are shown beside their page. What is done with them are acts. */
export function taskRoutes({ tasks, taskLists }: Services): Router {
  const router = Router();
  route(
    router,
    {
      method: 'get',
      path: '/tasks/brought',
      answer: answers.brought,
      summary: 'What is brought forward to today, or stands on a day that is to come.',
      query: Joi.object({ day: day.required(), today: day.required(), older: Joi.boolean().default(false) }),
    },
    ({ viewer, query }) => {
      const wish = query as { day: string; today: string; older: boolean };
      return tasks.brought(viewer, wish.day, wish.today, wish.older);
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/tasks',
      answer: answers.taskList,
      summary: 'A piece of the list of open tasks, gathered by day, page, notebook or tag.',
      query: Joi.object({
        today: day.required(),
        by: Joi.string()
          .valid(...GATHERINGS)
          .default('day'),
        group: group.default(null),
        of: id.default(null),
        where: Joi.string().valid('here', 'beneath', 'linking').default(null),
        only: Joi.string().valid('repeat', 'putOff').default(null),
        from: Joi.number().integer().min(0).default(0),
        limit: Joi.number().integer().min(1).max(200).default(60),
      }),
    },
    ({ viewer, query }) => taskLists.list(viewer, query as unknown as ListWish),
  );

  route(
    router,
    {
      method: 'get',
      path: '/tasks/due',
      answer: answers.taskCount,
      summary: 'How many tasks are overdue or for today.',
      query: Joi.object({ today: day.required() }),
    },
    async ({ viewer, query }) => ({ count: await taskLists.due(viewer, (query as { today: string }).today) }),
  );

  route(
    router,
    {
      method: 'get',
      path: '/pages/:id/tasks',
      answer: answers.taskCounts,
      summary: 'How many open tasks stand on a page, beneath it, and elsewhere with a link to it.',
      params: withId,
    },
    ({ viewer, params }) => taskLists.counts(viewer, params.id!),
  );
  return router;
}
