import { json, Router } from 'express';
import Joi from 'joi';
import { textOfBytes, type MarkdownFile } from '@glossarion/core/formats/markdown';
import type { Services } from '../services';
import { asText } from '../text';
import { id, route, withId } from './route';

/** A file is its text, or its bytes in base64: then it is found out how its text is written. */
const file = Joi.object({
  path: Joi.string().max(1000).required(),
  text: Joi.string().allow(''),
  bytes: Joi.string().base64().allow(''),
}).xor('text', 'bytes');

/** Taking in notes from elsewhere. */
export function importRoutes({ imports, notices }: Services): Router {
  const router = Router();
  router.use('/imports', json({ limit: '64mb', reviver: asText }));

  route(
    router,
    {
      method: 'post',
      path: '/imports',
      summary: 'Takes in a folder of Markdown files: all of it, or nothing.',
      body: Joi.object({ id, files: Joi.array().items(file).min(1).max(20_000).required() }),
    },
    async ({ account, body }) => {
      const wish = body as { id?: string; files: (MarkdownFile & { bytes?: string })[] };
      const files = wish.files.map(({ path, text, bytes }) => ({
        path,
        text: bytes === undefined ? text : textOfBytes(Buffer.from(bytes, 'base64')),
      }));
      const report = await imports.take(account.id, files, { id: wish.id });
      notices.send(account.id, { pageId: null, changed: ['outline', 'title', 'links'] });
      return report;
    },
  );

  route(
    router,
    { method: 'get', path: '/imports/:id', summary: 'How far an import has come.', params: withId },
    ({ account, params }) => imports.progress(account.id, params.id!),
  );

  route(
    router,
    { method: 'delete', path: '/imports/:id', summary: 'Stops an import; nothing of it is left.', params: withId },
    ({ account, params }) => imports.stop(account.id, params.id!),
  );

  return router;
}
