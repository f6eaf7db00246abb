import { Router } from 'express';
import Joi from 'joi';
import { DESK_PARTS, DESK_SIZES } from '@glossarion/core/desk';
import { isZone } from '@glossarion/core/journal';
import { LANGUAGE_NAMES } from '@glossarion/core/languages/names';
import { GLOSS_ORDERS, JOURNAL } from '@glossarion/core/margin';
import type { Services } from '../services';
import { Problem } from '../problem';
import { LANGUAGES_SETTING } from '../services/countedLanguages';
import { TIME_ZONE } from '../services/zones';
import { route } from './route';
import { id } from '../values';
import * as answers from './answers';

const arrangement = Joi.array()
  .items(
    Joi.object({
      part: Joi.string()
        .valid(...DESK_PARTS)
        .required(),
      size: Joi.string()
        .valid(...DESK_SIZES)
        .required(),
      isHidden: Joi.boolean().required(),
    }),
  )
  .unique('part')
  .max(DESK_PARTS.length);

/** What may be set, and how each value looks. */
const SETTINGS: Record<string, Joi.Schema> = {
  /** Whether single letters act out of text. */
  letters: Joi.boolean().strict(),
  /** The arrangement of the Desk on a phone and on a wide screen; null: as shipped, or as on the other. */
  desk: Joi.object({ phone: arrangement.allow(null).required(), wide: arrangement.allow(null).required() }),
  /** Where the person is, as their device says it. */
  [TIME_ZONE]: Joi.string()
    .max(64)
    .custom((zone: string) => {
      if (!isZone(zone)) throw new Error('there is no such time zone');
      return zone;
    }),
  /** The languages that somebody writes, the one they write most first; none: as their words have it. */
  [LANGUAGES_SETTING]: Joi.array()
    .items(Joi.string().valid(...LANGUAGE_NAMES.map(({ code }) => code)))
    .unique()
    .max(LANGUAGE_NAMES.length),
  /** The templates that days begin with. */
  dayTemplates: Joi.object({
    every: id.allow(null).required(),
    weekdays: Joi.object()
      .pattern(Joi.string().valid('0', '1', '2', '3', '4', '5', '6'), id.allow(null))
      .required(),
  }),
};

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
