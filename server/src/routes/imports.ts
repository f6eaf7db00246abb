import { json, Router } from 'express';
import Joi from 'joi';
import type { MarkdownFile } from '@glossarion/core/formats/markdown';
import type { Services } from '../services';
import { asText } from '../text';
import { route } from './route';

const file = Joi.object({
  path: Joi.string().max(1000).required(),
  text: Joi.string()
    .allow('')
    .max(4 * 1024 * 1024)
    .required(),
});

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
      body: Joi.object({ files: Joi.array().items(file).min(1).max(20_000).required() }),
    },
    async ({ account, body }) => {
      const report = await imports.take(account.id, (body as { files: MarkdownFile[] }).files);
      notices.send(account.id, { pageId: null, changed: ['outline', 'title', 'links'] });
      return report;
    },
  );

  return router;
}
