import { Router } from 'express';
import Joi from 'joi';
import { Problem } from '../problem';
import type { Services } from '../services';
import { route } from './route';
import { line, withId } from '../values';
import * as answers from './answers';

/** What a browser may show in place. Everything else is handed over as a file. */
const SHOWN = /^(?:image\/(?:png|jpeg|gif|webp|avif|apng|svg\+xml)|audio\/[\w.+-]+|application\/pdf)$/u;

/** Nothing in a file may run, load or be framed elsewhere. A browser's own PDF viewer does not work in a sandbox. */
const policy = (media: string): string =>
  `default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'self'${media === 'application/pdf' ? '' : '; sandbox'}`;

/** How a stream says that its other end has gone. */
const CUT_OFF = new Set(['ERR_STREAM_PREMATURE_CLOSE', 'ECONNRESET', 'ECONNABORTED']);

const YEAR = 31_536_000;

/** Attachments: taken in as they are sent, handed out to those who may see them. */
export function fileRoutes({ attachments }: Services): Router {
  const router = Router();

  route(
    router,
    {
      method: 'post',
      path: '/files',
      answer: answers.attachment,
      refusals: [413, 507],
      summary: 'Takes in a file, which is sent as the body; the same content is stored once.',
      query: Joi.object({ name: line(300).required() }),
      ownBody: 'file',
    },
    async ({ viewer, query }, request, response) => {
      try {
        return await attachments.take(viewer, (query as { name: string }).name, request);
      } catch (error) {
        // What is left of the file is not read: nothing else may come over this connection.
        response.setHeader('Connection', 'close');
        if (CUT_OFF.has(String((error as NodeJS.ErrnoException).code))) {
          throw new Problem(400, 'The file did not arrive whole.');
        }
        throw error;
      }
    },
  );

  const named = withId.append({ name: Joi.string().max(600).required() });
  for (const [address, schema] of [
    ['/files/:id', withId],
    ['/files/:id/:name', named],
  ] as const) {
    route(
      router,
      {
        method: 'get',
        path: address,
        answer: 'file',
        summary: 'A file, shown in place where that is safe.',
        params: schema,
      },
      async ({ viewer, params }, _request, response) => {
        const { media, path, ...stored } = await attachments.visible(viewer, params.id!);
        // The same content may be known by several names: it is handed over by the one it is asked for.
        const name = params.name ?? stored.name;
        const disposition = SHOWN.test(media) ? 'inline' : 'attachment';
        response.setHeader('Content-Type', media.startsWith('text/') ? `${media}; charset=utf-8` : media);
        response.setHeader(
          'Content-Disposition',
          `${disposition}; filename*=UTF-8''${encodeURIComponent(name).replace(/['()*]/gu, escape)}`,
        );
        response.setHeader('Content-Security-Policy', policy(media));
        response.setHeader('Cache-Control', `private, immutable, max-age=${YEAR}`);
        await new Promise<void>((resolve, reject) => {
          response.sendFile(path, { cacheControl: false, etag: false, dotfiles: 'allow' }, (error) =>
            error ? reject(error) : resolve(),
          );
        });
      },
    );
  }
  return router;
}
