import { Router } from 'express';
import Joi from 'joi';
import { GLOSS_ORDERS, JOURNAL } from '@glossarion/core/margin';
import type { Services } from '../services';
import { Problem } from '../problem';
import { SETTINGS } from '../services/settingForms';
import { route } from './route';
import { id } from '../values';
import * as answers from './answers';

/** How the Margin of a page was left. */
const marginView = Joi.object({
  group: Joi.string().valid('line', 'page', 'day', 'log'),
  notebook: Joi.alternatives(Joi.string().valid(JOURNAL), id),
  tag: Joi.string().max(200),
  kind: id,
  since: Joi.string().valid('week', 'month', 'year'),
  isWithoutAside: Joi.boolean().strict(),
  isFolded: Joi.boolean().strict(),
  order: Joi.string().valid(...GLOSS_ORDERS),
  isHidden: Joi.boolean().strict(),
});

export function settingRoutes({ settings, notices }: Services): Router {
  const router = Router();
  route(
    router,
    { method: 'get', path: '/settings', answer: answers.settings, summary: 'What the person has set.' },
    ({ viewer }) => settings.all(viewer),
  );
  route(
    router,
    {
      method: 'put',
      path: '/settings',
      summary: 'Sets one thing.',
      body: Joi.object({ key: Joi.string().required(), value: Joi.any().required() }),
    },
    async ({ viewer, body }) => {
      const { key, value } = body as { key: string; value: unknown };
      const schema = Object.hasOwn(SETTINGS, key) ? SETTINGS[key]! : null;
      if (!schema) throw new Problem(400, 'There is no such setting.');
      const checked = schema.validate(value);
      if (checked.error) throw new Problem(400, `This can’t be set so: ${checked.error.message}.`);
      await settings.set(viewer, key, checked.value);
      notices.send(viewer.accountId, { what: 'settings', ids: null });
    },
  );
  route(
    router,
    {
      method: 'put',
      path: '/settings/margins/:id',
      summary: 'Remembers how the Margin of a page was left.',
      params: Joi.object({ id: id.required() }),
      body: marginView,
    },
    async ({ viewer, params, body }) => {
      await settings.setMargin(viewer, params.id!, body);
      notices.send(viewer.accountId, { what: 'settings', ids: null });
    },
  );
  return router;
}
