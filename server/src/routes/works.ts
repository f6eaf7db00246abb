import { rm } from 'node:fs/promises';
import { PRESENT_CHOICES, type PresentChoice } from '@glossarion/core/formats/markdown';
import { Router } from 'express';
import Joi from 'joi';
import { Problem } from '../problem';
import type { Services } from '../services';
import { tellOfAll } from '../services/told';
import { id, withId } from '../values';
import * as answers from './answers';
import { route } from './route';

/** For what is opened: it is read and printed, and can do nothing. */
const NOTHING_RUNS = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; sandbox";

/** What takes long: how far it has come, what came of it, and the way to stop it. */
export function workRoutes({ works, exports: writing, imports, notices, serverFolder }: Services): Router {
  const router = Router();

  route(
    router,
    { method: 'get', path: '/works', answer: answers.works, summary: 'All that takes long, and took long lately.' },
    ({ viewer }) => works.list(viewer),
  );

  route(
    router,
    {
      method: 'get',
      path: '/works/:id',
      answer: answers.work,
      summary: 'How far something that takes long has come.',
      params: withId,
    },
    ({ viewer, params }) => works.of(viewer, params.id!),
  );

  route(
    router,
    {
      method: 'delete',
      path: '/works/:id',
      summary: 'Stops what is under way, of which nothing is left; forgets what has ended.',
      params: withId,
    },
    ({ viewer, params }) => works.stop(viewer, params.id!),
  );

  route(
    router,
    {
      method: 'get',
      path: '/works/:id/takingBack',
      answer: answers.takingBack,
      summary: 'The acts that take back what an import made.',
      params: withId,
    },
    ({ viewer, params }) => ({ acts: works.takingBack(viewer, params.id!) }),
  );

  route(
    router,
    { method: 'get', path: '/works/:id/file', answer: 'file', summary: 'What an export wrote.', params: withId },
    async ({ viewer, params }, _request, response) => {
      const { path, name, media, isOpened } = writing.written(viewer, params.id!);
      response.setHeader('Content-Type', media);
      const use = isOpened ? 'inline' : 'attachment';
      response.setHeader('Content-Disposition', `${use}; filename*=UTF-8''${encodeURIComponent(name)}`);
      if (isOpened) response.setHeader('Content-Security-Policy', NOTHING_RUNS);
      await new Promise<void>((resolve, reject) => {
        response.sendFile(path, { cacheControl: false, etag: false, dotfiles: 'allow' }, (error) =>
          error ? reject(error) : resolve(),
        );
      });
    },
  );
  route(
    router,
    {
      method: 'post',
      path: '/works/:id/takingIn',
      answer: answers.importReport,
      refusals: [404, 409],
      summary:
        'Takes in what was looked at; what is here already with other words is left, renewed, or stands beside it.',
      params: withId,
      body: Joi.object({ present: Joi.valid(...PRESENT_CHOICES).required() }),
    },
    async ({ viewer, params, body }) => {
      const workId = params.id!;
      const { state, name, preview } = works.of(viewer, workId);
      if (state !== 'waiting') throw new Problem(409, 'This was taken in already, or is under way.');
      const sent = works.sentFor(viewer, workId);
      try {
        const { present } = body as { present: PresentChoice };
        const { looseNotebook } = preview!;
        const report = await imports.takeZip(viewer, sent, { id: workId, name, looseNotebook, present });
        tellOfAll(notices, viewer);
        return report;
      } finally {
        await rm(sent, { force: true });
      }
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/imports/folders',
      answer: answers.folders,
      summary: 'The folders and zips on the server that may be taken in, by their names.',
    },
    () => serverFolder.names(),
  );

  route(
    router,
    {
      method: 'post',
      path: '/imports/folders/looks',
      answer: answers.importPreview,
      refusals: [404, 409, 413, 507],
      summary: 'Looks what taking in a folder or a zip on the server would make.',
      body: Joi.object({ id: id.required(), name: Joi.string().max(300).required() }),
    },
    async ({ viewer, body }, request) => {
      const { id: workId, name } = body as { id: string; name: string };
      const sent = works.sentFor(viewer, workId);
      const gone = new AbortController();
      request.once('aborted', () => gone.abort());
      try {
        await serverFolder.pack(name, sent, gone.signal);
        const looseNotebook = name.replace(/\.zip$/iu, '');
        return await imports.lookAtZip(viewer, sent, { id: workId, name, looseNotebook });
      } catch (error) {
        await rm(sent, { force: true });
        throw error;
      }
    },
  );

  return router;
}
