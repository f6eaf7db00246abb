import { Router } from 'express';
import Joi from 'joi';
import { isId } from '@glossarion/core/document';
import type { Services } from '../services';
import { day } from '../values';
import * as answers from './answers';
import { route } from './route';

/** The most pages that a line is asked about. */
const MOST = 60;

const ids = Joi.string()
  .empty('')
  .max(MOST * 40)
  .custom((value: string) => {
    const all = value.split(',').filter(Boolean);
    if (all.length > MOST || !all.every((id) => isId(id))) throw new Error('not a list of ids');
    return all.map((id) => id.toLowerCase());
  }, 'ids with commas between')
  .default([]);

/** Meetings and calls; they are made by acts. */
export function meetingRoutes({ meetings }: Services): Router {
  const router = Router();
  route(
    router,
    {
      method: 'get',
      path: '/meetings/about',
      answer: answers.aboutMeeting,
      summary: 'What is known of the pages that a line names, for a meeting that is to be made of it.',
      query: Joi.object({ ids, today: day.required() }),
    },
    ({ viewer, query }) => {
      const { ids: asked, today } = query as { ids: string[]; today: string };
      return meetings.about(viewer, asked, today);
    },
  );
  return router;
}
