import compression from 'compression';
import { parseCookie } from 'cookie';
import staticGzip, { type ExpressStaticGzipOptions as StaticGzipOptions } from 'express-static-gzip';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { STATUS_CODES } from 'node:http';
import path from 'node:path';
import { pinoHttp } from 'pino-http';
import { ActError, type ActRefusal } from '@glossarion/core/acts';
import { TOLD_HEADER } from '@glossarion/core/notices';
import { troubleOf } from './database/trouble';
import { Problem } from './problem';
import { asText } from './text';
import { accountRoutes, SESSION_COOKIE } from './routes/accounts';
import { actRoutes } from './routes/acts';
import { binRoutes } from './routes/bin';
import { describeInterface } from './routes/description';
import { calendarRoutes } from './routes/calendar';
import { deskRoutes } from './routes/desk';
import { entryRoutes } from './routes/entries';
import { fileRoutes } from './routes/files';
import { findRoutes } from './routes/find';
import { exportRoutes } from './routes/exports';
import { importRoutes } from './routes/imports';
import { logRoutes } from './routes/log';
import { meetingRoutes } from './routes/meetings';
import { kindRoutes } from './routes/kinds';
import { pageRoutes } from './routes/pages';
import { reviewRoutes } from './routes/review';
import { settingRoutes } from './routes/settings';
import { replaceRoutes } from './routes/replace';
import { tagRoutes } from './routes/tags';
import { taskRoutes } from './routes/tasks';
import { workRoutes } from './routes/works';
import { templateRoutes } from './routes/templates';
import { trayRoutes } from './routes/tray';
import type { Services } from './services';

/** Whether a request from a page of this origin may change something here. */
export function isOwnOrigin(origin: string | undefined, host: string | undefined, configured: string | null): boolean {
  if (!origin) return false;
  if (configured) return origin === configured;
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

export const sessionToken = (cookies: string | undefined): string | undefined =>
  cookies ? parseCookie(cookies)[SESSION_COOKIE] : undefined;

/** The HTTP side: the interface beneath /api, and the built app for every other address. */
export function makeApp(services: Services): Express {
  const { config, log, accounts } = services;
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', config.proxies);
  app.use(
    pinoHttp({
      logger: log,
      autoLogging: { ignore: (request) => !request.url?.startsWith('/api/') },
      serializers: {
        req: (request: { method: string; url: string }) => ({
          method: request.method,
          path: request.url.split('?')[0],
        }),
        res: (response: { statusCode: number }) => ({ status: response.statusCode }),
      },
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          mediaSrc: ["'self'", 'blob:'],
          frameSrc: ["'self'"],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'", 'blob:'],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: config.origin?.startsWith('https:') ?? false,
    }),
  );
  app.use(compression());

  const api = express.Router();
  api.use(async (request, response, next) => {
    // What is private may be kept by its reader's own browser, which asks each time whether it still holds.
    const isRead = request.method === 'GET' || request.method === 'HEAD';
    response.setHeader('Cache-Control', isRead ? 'private, no-cache' : 'no-store');
    response.vary('Cookie');
    const isWrite = !['GET', 'HEAD', 'OPTIONS'].includes(request.method);
    if (isWrite && !isOwnOrigin(request.headers.origin, request.headers.host, config.origin)) {
      next(new Problem(403, 'This was asked from another site and was not done.'));
      return;
    }
    const signedIn = await accounts.bySession(sessionToken(request.headers.cookie));
    Object.assign(response.locals, signedIn);
    // Before anything is read for the answer: it may be older than that, and never newer.
    if (signedIn) response.setHeader(TOLD_HEADER, services.notices.told(signedIn.viewer.accountId));
    next();
  });
  api.get('/health', async (_request, response) => {
    const ailment = await services.database.ailment();
    if (ailment) throw ailment;
    response.json({ status: 'well' });
  });
  api.get('/description', (_request, response) => {
    response.json(describeInterface());
  });
  // Before the limit for ordinary bodies: an import is larger, and only somebody signed in may send one.
  api.use('/imports', (_request, response, next) =>
    next(response.locals.account ? undefined : new Problem(401, 'Sign in to see this.')),
  );
  api.use(importRoutes(services));
  api.use(fileRoutes(services));
  // Acts may bring blocks along.
  api.use('/acts', express.json({ limit: '8mb', reviver: asText }));
  api.use(express.json({ limit: '256kb', reviver: asText }));
  api.use(exportRoutes(services));
  api.use(workRoutes(services));
  for (const routes of [
    accountRoutes,
    entryRoutes,
    actRoutes,
    binRoutes,
    calendarRoutes,
    deskRoutes,
    pageRoutes,
    findRoutes,
    settingRoutes,
    replaceRoutes,
    tagRoutes,
    taskRoutes,
    kindRoutes,
    logRoutes,
    meetingRoutes,
    reviewRoutes,
    templateRoutes,
    trayRoutes,
  ]) {
    api.use(routes(services));
  }
  api.use((_request, _response, next) => next(new Problem(404, 'There is no such address.')));
  app.use('/api', api);

  serveApp(app, config.app);
  app.use((error: unknown, request: Request, response: Response, _next: NextFunction) => {
    const problem = toProblem(error);
    if (problem.status >= 500) request.log.error(error);
    if (typeof problem.more.retryAfter === 'number') response.setHeader('Retry-After', problem.more.retryAfter);
    response
      .status(problem.status)
      .type('application/problem+json')
      .send(JSON.stringify({ ...problem.more, ...describe(problem) }));
  });
  return app;
}

/** RFC 9457, 3.1: the title names the type of problem, which about:blank leaves to the status; the detail this one. */
const describe = ({ status, sentence }: Problem) => ({
  type: 'about:blank',
  status,
  title: STATUS_CODES[status] ?? 'Problem',
  detail: sentence,
});

/** How it is told why an act was not done. */
const STATUS_OF: Record<ActRefusal, number> = { missing: 404, refused: 400, conflict: 409 };

function toProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const trouble = troubleOf(error);
  if (trouble) return trouble;
  if (error instanceof RangeError && /call stack/u.test(error.message))
    return new Problem(400, 'What was sent is nested deeper than anything here can be.');
  const { type, status } = error as { type?: string; status?: number };
  if (type === 'entity.too.large') return new Problem(413, 'That is more than can be taken in at one time.');
  if (error instanceof ActError) return new Problem(STATUS_OF[error.refusal], error.message);
  if (error instanceof Error && (error.name === 'ShapeError' || error.name === 'PlaceError'))
    return new Problem(400, error.message);
  if (status && status < 500) return new Problem(status, 'What was sent could not be read.');
  return new Problem(500, 'Something went wrong here. Nothing was changed; try again.');
}

function serveApp(app: Express, folder: string): void {
  if (!existsSync(path.join(folder, 'index.html'))) return;
  const year = 31_536_000_000;
  const compressed = { enableBrotli: true, orderPreference: ['br', 'gz'] } satisfies StaticGzipOptions;
  const lasting = { immutable: true, maxAge: year };
  app.use('/_expo', staticGzip(path.join(folder, '_expo'), { ...compressed, serveStatic: lasting }));
  app.use('/fonts', staticGzip(path.join(folder, 'fonts'), { ...compressed, serveStatic: { maxAge: year } }));
  app.use(staticGzip(folder, { ...compressed, index: false, serveStatic: { index: false, cacheControl: false } }));
  app.use((request, response, next) => {
    if (request.method !== 'GET' && request.method !== 'HEAD') return next();
    // Places have no ending: what has one is a file that is not there.
    if (/\.[\w-]+$/u.test(request.path)) return next(new Problem(404, 'There is no such file.'));
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(path.join(folder, 'index.html'));
  });
}
