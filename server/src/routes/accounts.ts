import { Router, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import Joi from 'joi';
import { MAX_ACCOUNT_NAME, PASSPHRASE } from '@glossarion/core/accounts';
import type { Services } from '../services';
import { DEMO_NAME } from '../services/accounts';
import type { Account } from '../entities';
import { Problem } from '../problem';
import { route, type RouteRequest } from './route';
import { line } from '../values';
import * as answers from './answers';

export const SESSION_COOKIE = 'glossarion-session';

const name = line(MAX_ACCOUNT_NAME).min(1).required();
const passphrase = Joi.string().min(PASSPHRASE.least).max(PASSPHRASE.most).required();
/** As it was when it was chosen, whatever the rule was then. */
const presentPassphrase = Joi.string().max(PASSPHRASE.most).required();

const shown = (account: Account) => ({ id: account.id, name: account.name });

/** Accounts and the session of whoever asks. */
export function accountRoutes({ accounts, config }: Services): Router {
  const router = Router();
  const many = rateLimit({
    windowMs: 60_000,
    limit: config.isDemo ? 1000 : 240,
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_request, response, next) => {
      const seconds = Number(response.getHeader('Retry-After') ?? 60);
      next(new Problem(429, `Too many tries. Try again in ${seconds} seconds.`, { retryAfter: seconds }));
    },
  });

  const signIn = async (account: Account, request: Request, response: Response) => {
    const { token, expires } = await accounts.openSession(account.id);
    response.cookie(SESSION_COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: request.secure || (config.origin?.startsWith('https:') ?? false),
      expires,
      path: '/',
    });
    return { account: shown(account) };
  };

  router.use(['/accounts', '/session'], (request, response, next) =>
    request.method === 'POST' ? many(request, response, next) : next(),
  );

  route(
    router,
    {
      method: 'post',
      path: '/accounts',
      answer: answers.signedIn,
      refusals: [403, 409, 429],
      summary: 'Makes an account and signs in to it.',
      isOpen: true,
      body: Joi.object({ name, passphrase, invitation: Joi.string().allow('').max(200).default('') }),
    },
    async ({ body }, request, response) => {
      const wish = body as { name: string; passphrase: string; invitation: string };
      return signIn(await accounts.signUpAs(wish.name, wish.passphrase, wish.invitation), request, response);
    },
  );

  route(
    router,
    { method: 'get', path: '/session', answer: answers.session, summary: 'Tells who is signed in.', isOpen: true },
    async ({ account }) => ({
      account: account ? shown(account) : null,
      isDemo: config.isDemo,
      signUp: account ? undefined : await accounts.mayMake(),
    }),
  );

  route(
    router,
    {
      method: 'post',
      path: '/session',
      answer: answers.signedIn,
      refusals: [401, 429],
      summary: 'Signs in.',
      isOpen: true,
      body: Joi.object({ name: line(MAX_ACCOUNT_NAME).required(), passphrase: presentPassphrase }),
    },
    async ({ body }, request, response) => {
      const wish = body as { name: string; passphrase: string };
      return signIn(await accounts.check(wish.name, wish.passphrase), request, response);
    },
  );

  route(
    router,
    {
      method: 'post',
      path: '/session/demo',
      answer: answers.signedIn,
      refusals: [404, 429],
      summary: 'Signs in to the demo account, in the demo only.',
      isOpen: true,
    },
    async (_asked, request, response) => {
      const account = config.isDemo && isLoopback(request) ? await accounts.byName(DEMO_NAME) : null;
      if (!account) throw new Problem(404, 'There is no demo here.');
      return signIn(account, request, response);
    },
  );

  route(
    router,
    { method: 'delete', path: '/session', summary: 'Signs out.' },
    async ({ session }: RouteRequest, _request, response) => {
      await accounts.closeSession(session.id);
      response.clearCookie(SESSION_COOKIE, { path: '/' });
      // Nothing that was read stays in the browser.
      response.setHeader('Clear-Site-Data', '"cache"');
    },
  );

  route(
    router,
    {
      method: 'put',
      path: '/account/passphrase',
      summary: 'Changes the passphrase and ends all other sessions.',
      body: Joi.object({ present: presentPassphrase, next: passphrase }),
    },
    async ({ account, session, body }) => {
      const wish = body as { present: string; next: string };
      await accounts.changePassphrase(account, session.id, wish.present, wish.next);
    },
  );

  return router;
}

const isLoopback = (request: Request): boolean => /^(::1|(::ffff:)?127\.)/u.test(request.socket.remoteAddress ?? '');
