import { Router } from 'express';
import type { Services } from '../services';
import { route } from './route';
import { withId } from '../values';
import * as answers from './answers';

/** Pages that other pages begin as. */
export function templateRoutes({ templates }: Services): Router {
  const router = Router();
  route(
    router,
    { method: 'get', path: '/templates', answer: answers.templates, summary: 'The templates, by title.' },
    ({ viewer }) => templates.list(viewer),
  );
  route(
    router,
    {
      method: 'get',
      path: '/entries/:id/template',
      answer: answers.templateFor,
      summary: 'The template of pages made in a place: its own, or the nearest above.',
      params: withId,
    },
    ({ viewer, params }) => ({ templateId: templates.defaultFor(viewer, params.id!) }),
  );
  return router;
}
