import { Router } from 'express';
import { EXPORT_FORMS, type ExportForm } from '@glossarion/core/works';
import Joi from 'joi';
import type { Services } from '../services';
import type { Wanted } from '../services/exports';
import type { Habits } from '../services/find';
import { habits, id } from '../values';
import * as answers from './answers';
import { originOf } from './origin';
import { route } from './route';

/** Taking notes out, in open forms. */
export function exportRoutes({ exports: writing, config }: Services): Router {
  const router = Router();
  route(
    router,
    {
      method: 'post',
      path: '/exports',
      answer: answers.work,
      refusals: [404, 409],
      summary:
        'Begins to write all there is, what stands in an entry, or the pages that a query line finds, in one of several open forms; what is written is fetched at `/works/:id/file`.',
      body: Joi.object({
        id: id.required(),
        of: id.allow(null).required(),
        find: Joi.string().max(500),
        ...habits,
        form: Joi.valid(...EXPORT_FORMS).default('markdown'),
      }),
    },
    ({ viewer, body }, request) => {
      const { id: workId, form, of, find, ...wish } = body as Wanted & Habits & { id: string; form: ExportForm };
      return writing.begin(viewer, { of, find, habits: wish }, workId, form, originOf(config, request));
    },
  );
  return router;
}
