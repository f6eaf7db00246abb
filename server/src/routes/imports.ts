import { createWriteStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { raw, Router, type Request, type Response } from 'express';
import Joi from 'joi';
import type { Viewer } from '../access';
import { Problem } from '../problem';
import type { Services } from '../services';
import { importRequest } from '../threads/readRequest';
import { anywhere, tellOfAll } from '../services/told';
import { route } from './route';
import { id, line } from '../values';
import * as answers from './answers';

/** A request of more bytes takes a thread so much memory that it is not kept. */
const LARGE = 4_000_000;
/** How long reading what was sent may take, in milliseconds. */
const READ_WITHIN = 30_000;

/** Taking in notes from elsewhere. */
export function importRoutes({ imports, notices, threads, works, config }: Services): Router {
  const router = Router();
  router.post('/imports', raw({ type: () => true, limit: '64mb' }));

  route(
    router,
    {
      method: 'post',
      path: '/imports',
      answer: answers.importReport,
      refusals: [409, 413],
      summary: 'Takes in a folder of Markdown files, each as `path` and `text`, or `bytes` in base64: all, or nothing.',
      ownBody: importRequest,
    },
    async ({ viewer }, request) => {
      const sent = Buffer.isBuffer(request.body) ? new Uint8Array(request.body) : new Uint8Array();
      request.body = null;
      const wish = await threads.run('readRequest', sent, {
        within: READ_WITHIN,
        isLarge: sent.length > LARGE,
        transfer: [sent.buffer],
      });
      if ('refusal' in wish) throw new Problem(400, wish.refusal);
      const report = await imports.takeFiles(viewer, wish.files, { id: wish.id, name: wish.name });
      notices.send(viewer.accountId, ...anywhere(['outline', 'title', 'links', 'kinds']));
      return report;
    },
  );

  const query = Joi.object({ id: id.required(), name: line(300).default('Notes'), notebook: line(300) });
  const zip = { method: 'post', refusals: [409, 413, 507], query, ownBody: 'file' } as const;

  /** Receives a zip for a work, and does something with it; it is gone when that fails. */
  const withZip = async <T>(
    { viewer, query: wish }: { viewer: Viewer; query: unknown },
    request: Request,
    response: Response,
    use: (sent: string, wish: { id: string; name: string; looseNotebook?: string }) => Promise<T>,
  ): Promise<T> => {
    const { notebook: looseNotebook, ...named } = wish as { id: string; name: string; notebook?: string };
    const sent = works.sentFor(viewer, named.id);
    try {
      await receive(request, sent, config.accountLimit);
      return await use(sent, { ...named, ...(looseNotebook && { looseNotebook }) });
    } catch (error) {
      response.setHeader('Connection', 'close');
      await rm(sent, { force: true });
      throw error;
    }
  };

  route(
    router,
    {
      ...zip,
      path: '/imports/zip',
      answer: answers.importReport,
      summary: 'Takes in a zip of files, as the body: one that was exported with all that belongs to it.',
    },
    (asked, request, response) =>
      withZip(asked, request, response, async (sent, wish) => {
        const report = await imports.takeZip(asked.viewer, sent, wish);
        await rm(sent, { force: true });
        tellOfAll(notices, asked.viewer);
        return report;
      }),
  );

  route(
    router,
    {
      ...zip,
      path: '/imports/looks',
      answer: answers.importPreview,
      summary:
        'Looks what taking in a zip would make; it is kept until `/works/{id}/takingIn` takes it in, or it is dropped.',
    },
    (asked, request, response) =>
      withZip(asked, request, response, (sent, wish) => imports.lookAtZip(asked.viewer, sent, wish)),
  );

  return router;
}

/** Writes what is sent to a file. @throws Problem when it is more than so many bytes, or did not arrive whole */
async function receive(sent: Readable, target: string, most: number): Promise<void> {
  let size = 0;
  const measure = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      size += chunk.length;
      if (size > most) done(new Problem(413, 'That is more than an account may hold. Nothing was taken in.'));
      else done(null, chunk);
    },
  });
  try {
    await pipeline(sent, measure, createWriteStream(target));
  } catch (error) {
    if (error instanceof Problem) throw error;
    if ((error as NodeJS.ErrnoException).code === 'ENOSPC')
      throw new Problem(507, 'There is no room left on this server.');
    throw new Problem(400, 'The file did not arrive whole. Nothing was taken in.');
  }
}
