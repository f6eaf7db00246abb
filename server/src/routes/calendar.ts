import { Router, type Response } from 'express';
import Joi from 'joi';
import type { Viewer } from '../access';
import type { Services } from '../services';
import * as answers from './answers';
import { originOf } from './origin';
import { route } from './route';

const NAME = 'Glossarion tasks.ics';

/** Tasks for calendar programs. */
export function calendarRoutes({ calendarFiles, config, notices }: Services): Router {
  const router = Router();
  const tell = ({ accountId }: Viewer) => notices.send(accountId, { what: 'settings', ids: null });
  const send = (response: Response, file: string): void => {
    response.setHeader('Content-Disposition', `attachment; filename="${NAME}"`);
    response.type('text/calendar; charset=utf-8').send(file);
  };

  route(
    router,
    {
      method: 'get',
      path: '/calendar/tasks',
      answer: 'file',
      summary: 'Open tasks that are due on a day, as an iCalendar file.',
    },
    async ({ viewer }, request, response) =>
      send(response, await calendarFiles.file(viewer, originOf(config, request))),
  );

  route(
    router,
    {
      method: 'get',
      path: '/calendar/at/:secret',
      answer: 'file',
      isOpen: true,
      refusals: [404],
      summary: 'The same at a private address, for calendar programs; nothing once it was revoked.',
      params: Joi.object({ secret: Joi.string().max(100).required() }),
    },
    async ({ params }, request, response) => {
      // Whoever finds it is told nothing of where it was found.
      response.setHeader('X-Robots-Tag', 'noindex, nofollow');
      send(response, await calendarFiles.at(params.secret!.replace(/\.ics$/u, ''), originOf(config, request)));
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/calendar/address',
      answer: answers.calendarAddress,
      summary: 'Whether there is a private address, and since when.',
    },
    async ({ viewer }) => ({ madeAt: await calendarFiles.madeAt(viewer) }),
  );

  route(
    router,
    {
      method: 'post',
      path: '/calendar/address',
      answer: answers.madeCalendarAddress,
      summary: 'Makes a private address in the place of any other; it is told once.',
    },
    async ({ viewer }, request) => {
      const secret = await calendarFiles.makeAddress(viewer);
      tell(viewer);
      return { address: `${originOf(config, request)}/api/calendar/at/${secret}.ics` };
    },
  );

  route(
    router,
    { method: 'delete', path: '/calendar/address', summary: 'Revokes the private address.' },
    async ({ viewer }) => {
      await calendarFiles.revoke(viewer);
      tell(viewer);
    },
  );
  return router;
}
