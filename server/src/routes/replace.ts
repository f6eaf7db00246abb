import { Router } from 'express';
import Joi from 'joi';
import { LONGEST_LINE } from '@glossarion/core/find/query';
import { MAX_REPLACED, type ChosenLine, type ReplaceWish } from '@glossarion/core/replace';
import type { Services } from '../services';
import * as answers from './answers';
import { performing } from './acts';
import { id, line, lines } from '../values';
import { route } from './route';

/** The most lines that are chosen. */
const CHOSEN = 1_000;

const wish = {
  find: lines(MAX_REPLACED).required(),
  by: lines(MAX_REPLACED).required(),
  isExpression: Joi.boolean().required(),
  isCase: Joi.boolean().required(),
  isWhole: Joi.boolean().required(),
};

/** Replacing across pages. */
export function replaceRoutes(services: Services): Router {
  const { replacing } = services;
  const router = Router();
  const perform = performing(services);

  route(
    router,
    {
      method: 'post',
      path: '/replace/preview',
      answer: answers.replacePreview,
      summary: 'The lines that a replacement would change, before and after.',
      body: Joi.object({ ...wish, searched: line(LONGEST_LINE).required() }),
    },
    ({ viewer, body }) => {
      const { searched, ...asked } = body as ReplaceWish & { searched: string };
      return replacing.preview(viewer, asked, searched);
    },
  );

  route(
    router,
    {
      method: 'post',
      path: '/replace',
      answer: answers.replaced,
      refusals: [409],
      summary: 'Replaces in chosen lines, all of them or none; what was changed meanwhile is left and told of.',
      body: Joi.object({
        ...wish,
        chosen: Joi.array()
          .items(
            Joi.object({ pageId: id.required(), blockId: id.required(), state: Joi.string().hex().max(64).required() }),
          )
          .min(1)
          .max(CHOSEN)
          .required(),
      }),
    },
    async ({ viewer, body }) => {
      const { chosen, ...asked } = body as ReplaceWish & { chosen: ChosenLine[] };
      const { acts, lines: count, left } = replacing.plan(viewer, asked, chosen);
      const undo = acts.length > 0 ? (await perform(viewer, acts)).undo : [];
      return { undo, lines: count, left };
    },
  );

  return router;
}
