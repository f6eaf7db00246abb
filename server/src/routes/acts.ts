import { Router } from 'express';
import Joi from 'joi';
import { changedBy, touchMany, type Act } from '@glossarion/core/acts';
import type { Changed } from '@glossarion/core/notices';
import { MAX_ACTS } from '@glossarion/core/outline';
import type { Viewer } from '../access';
import type { Services } from '../services';
import type { Accepted } from '../services/documents';
import { anywhere } from '../services/told';
import { route } from './route';
import { anyAct } from './shapes';
import * as answers from './answers';

/** Does acts, tells the account's windows of them, and gives what takes them back, with what they touched. */
export function performing({ acts, entries, noteName, forgetNames, notices, log }: Services) {
  /** What is done is done: should its targets not be read, the window asks for them by itself. */
  const targetsOf = (viewer: Viewer, ids: readonly string[]) => {
    try {
      return entries.targets(viewer, ids);
    } catch (error) {
      log.error(error, 'the targets of acts could not be read');
      return [];
    }
  };
  return async (viewer: Viewer, wanted: readonly Act[]) => {
    const { undo, touched, accepted } = await acts.perform(viewer, wanted);
    if (touchMany(wanted)) forgetNames(viewer.accountId);
    else for (const each of touched) noteName(viewer.accountId, each);
    const changed = notToldYet(changedBy(wanted), touched, accepted);
    notices.send(viewer.accountId, ...anywhere(changed));
    return { undo, targets: targetsOf(viewer, touched) };
  };
}

/** Everything that changes the outline: making, naming, moving, laying aside, deleting, and taking any of it back. */
export function actRoutes(services: Services): Router {
  const router = Router();
  const perform = performing(services);
  route(
    router,
    {
      method: 'post',
      path: '/acts',
      answer: answers.actsDone,
      refusals: [404, 409, 413],
      summary: 'Does structural acts, all of them or none; answers with the acts that take them back.',
      body: Joi.object({ acts: Joi.array().items(anyAct).min(1).max(MAX_ACTS).required() }),
    },
    ({ viewer, body }) => perform(viewer, (body as { acts: Act[] }).acts),
  );
  return router;
}

/** What was not told with the pages themselves: a page that is renamed is told of once. */
function notToldYet(changed: readonly Changed[], touched: readonly string[], accepted: readonly Accepted[]): Changed[] {
  const isTold = (what: Changed) =>
    touched.every((id) => accepted.some((each) => each.pageId === id && each.changed.includes(what)));
  return changed.filter((what) => touched.length === 0 || !isTold(what));
}
