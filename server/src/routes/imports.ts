import { raw, Router } from 'express';
import { Problem } from '../problem';
import type { Services } from '../services';
import { importRequest } from '../threads/readRequest';
import { anywhere } from '../services/told';
import { route } from './route';
import { withId } from '../values';
import * as answers from './answers';

/** A request of more bytes takes a thread so much memory that it is not kept. */
const LARGE = 4_000_000;
/** How long reading what was sent may take, in milliseconds. */
const READ_WITHIN = 30_000;

/** Taking in notes from elsewhere. */
export function importRoutes({ imports, notices, threads }: Services): Router {
  const router = Router();
  router.use('/imports', raw({ type: () => true, limit: '64mb' }));

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
      const report = await imports.takeFiles(viewer, wish.files, { id: wish.id });
      notices.send(viewer.accountId, ...anywhere(['outline', 'title', 'links', 'kinds']));
      return report;
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/imports/:id',
      answer: answers.importProgress,
      summary: 'How far an import has come.',
      params: withId,
    },
    ({ viewer, params }) => imports.progress(viewer, params.id!),
  );

  route(
    router,
    { method: 'delete', path: '/imports/:id', summary: 'Stops an import; nothing of it is left.', params: withId },
    ({ viewer, params }) => imports.stop(viewer, params.id!),
  );

  return router;
}
