import { Router } from 'express';
import type { Services } from '../services';
import { route, withId } from './route';

/** Pages that other pages begin as. */
export function templateRoutes({ templates, entries }: Services): Router {
  const router = Router();
  route(router, { method: 'get', path: '/templates', summary: 'The templates, by title.' }, ({ account }) =>
    templates.list(account.id),
  );
  route(
    router,
    {
      method: 'get',
      path: '/entries/:id/template',
      summary: 'The template of pages made in a place: its own, or the nearest above.',
      params: withId,
    },
    ({ account, params }) => {
      const { id } = entries.own(account.id, params.id!);
      return { templateId: templates.defaultFor(account.id, id) };
    },
  );
  return router;
}
