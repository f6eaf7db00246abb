import { Router } from 'express';
import Joi from 'joi';
import * as Y from 'yjs';
import { TASK_STATES } from '@glossarion/core/document';
import type { Services } from '../services';
import { notFound } from '../problem';
import { route, withId } from './route';

/** The Desk, and what it is gathered from: pins, visits, tasks. */
export function deskRoutes({ desk, entries, documents, notices }: Services): Router {
  const router = Router();

  route(
    router,
    { method: 'get', path: '/desk', summary: 'Pins, recents, this week, open tasks and unwritten pages.' },
    ({ account }) => desk.desk(account.id),
  );

  route(router, { method: 'get', path: '/pins', summary: 'What is pinned, in order.' }, ({ account }) =>
    desk.pins(account.id),
  );

  route(
    router,
    {
      method: 'get',
      path: '/recent',
      summary: 'The pages opened last.',
      query: Joi.object({ limit: Joi.number().integer().min(1).max(50).default(12) }),
    },
    ({ account, query }) => desk.recent(account.id, (query as { limit: number }).limit),
  );

  route(
    router,
    { method: 'post', path: '/entries/:id/visits', summary: 'Notes that a page was opened.', params: withId },
    async ({ account, params }) => {
      await desk.visit(account.id, params.id!);
      notices.send(account.id, { pageId: params.id!, changed: ['desk'] });
    },
  );

  route(
    router,
    {
      method: 'put',
      path: '/blocks/:id/state',
      summary: 'Ticks a to-do off, or opens it again, wherever it is shown.',
      params: withId,
      body: Joi.object({
        state: Joi.string()
          .valid(...TASK_STATES)
          .required(),
      }),
    },
    async ({ account, params, body }) => {
      const block = entries.block(account.id, params.id!);
      if (!block) throw notFound();
      const { state } = body as { state: string };
      await documents.edit(account.id, block.pageId, (document) => {
        const line = (document.getXmlFragment('body').toArray() as Y.XmlElement[]).find(
          (element) => element.getAttribute('id') === block.blockId,
        );
        if (line?.getAttribute('kind') !== 'todo') throw notFound();
        line.setAttribute('state', state);
      });
      notices.send(account.id, { pageId: block.pageId, changed: ['desk'] });
    },
  );

  return router;
}
