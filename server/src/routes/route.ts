import type { NextFunction, Request, Response, Router } from 'express';
import Joi from 'joi';
import type { Viewer } from '../access';
import type { Account, Session } from '../entities';
import { Problem } from '../problem';

/** What is known of a request once it has been let in. */
export interface RouteRequest {
  account: Account;
  session: Session;
  viewer: Viewer;
  params: Record<string, string>;
  query: never;
  body: never;
}

export interface RouteOptions {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  path: string;
  /** One sentence for the description of the interface. */
  summary: string;
  params?: Joi.ObjectSchema;
  query?: Joi.ObjectSchema;
  body?: Joi.ObjectSchema;
  /** What is sent that the handler reads by itself: JSON of this form, or the bytes of a file. */
  ownBody?: Joi.ObjectSchema | 'file';
  /** What is answered: JSON of this form, or the bytes of a file; nothing when it isn't said. */
  answer?: Joi.Schema | 'file';
  /** Why it may be refused, beside what all are refused for (routes/description). */
  refusals?: readonly number[];
  /** Open to those who are not signed in. */
  isOpen?: boolean;
}

type Handler = (asked: RouteRequest, request: Request, response: Response) => unknown;

/** A route as it was declared, for the description of the interface. */
export const declaredRoutes = new Map<string, RouteOptions>();

const checked = (schema: Joi.ObjectSchema | undefined, value: unknown): unknown => {
  const result = (schema ?? Joi.object({})).validate(value ?? {}, { abortEarly: true, convert: true });
  if (result.error) throw new Problem(400, `This can't be done as it was asked: ${result.error.message}.`);
  return result.value as unknown;
};

/** Declares a route: everything that comes in is checked, and only then handled. What the handler returns is sent. */
export function route(router: Router, options: RouteOptions, handler: Handler): void {
  declaredRoutes.set(`${options.method} ${options.path}`, options);
  router[options.method](options.path, async (request: Request, response: Response, next: NextFunction) => {
    try {
      const { account, session, viewer } = response.locals as Partial<RouteRequest>;
      if (!options.isOpen && !account) throw new Problem(401, 'Sign in to see this.');
      const asked = {
        account,
        session,
        viewer,
        params: checked(options.params, request.params),
        query: checked(options.query, request.query),
        body: options.ownBody ? undefined : checked(options.body, request.body),
      } as RouteRequest;
      const result = await handler(asked, request, response);
      if (response.headersSent) return;
      if (answerChecks.areOn) checkAnswer(options, result);
      if (result === undefined) response.status(204).end();
      else response.json(result);
    } catch (error) {
      next(error);
    }
  });
}

/** Whether each answer is held against what is said of it: in tests. */
export const answerChecks = { areOn: false };

function checkAnswer({ method, path, answer }: RouteOptions, result: unknown): void {
  const { error } = (answer && answer !== 'file' ? answer : Joi.forbidden()).validate(toJson(result), {
    convert: false,
  });
  if (error) throw new Error(`${method} ${path} answers otherwise than it says: ${error.message}`);
}

/** As it arrives. */
const toJson = (value: unknown): unknown =>
  value === undefined ? undefined : (JSON.parse(JSON.stringify(value)) as unknown);
