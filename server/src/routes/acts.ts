import { Router } from 'express';
import Joi from 'joi';
import { MAX_BLOCKS, MAX_DEPTH } from '@glossarion/core/document';
import {
  ENTRY_KINDS,
  MAX_ACTS,
  MAX_NAME,
  MAX_OTHER_NAMES,
  ORNAMENTS,
  PIGMENTS,
  SEASONS,
  type Act,
} from '@glossarion/core/outline';
import { SEND_FORMS } from '@glossarion/core/parts';
import type { Viewer } from '../access';
import type { Services } from '../services';
import { day, id, line, route } from './route';

const pigment = Joi.string().valid(...PIGMENTS);
const ornament = Joi.string()
  .valid(...ORNAMENTS)
  .allow(null);
const description = line(2000);
const parentId = id.allow(null).required();
const afterId = id.allow(null);
const nodes = Joi.array().items(Joi.object().unknown()).max(MAX_BLOCKS);
const blockIds = Joi.array().items(id).max(MAX_BLOCKS).required();

/** What each act must say. */
const SCHEMAS: Record<Act['do'], Joi.SchemaMap> = {
  make: {
    kind: Joi.string()
      .valid(...ENTRY_KINDS)
      .required(),
    parentId,
    afterId,
    name: line(MAX_NAME).required(),
    pigment,
    ornament,
    description,
    overviewOf: id,
    from: Joi.object({
      templateId: id.required(),
      date: line(100).required(),
      time: line(40).required(),
      answers: Joi.object().pattern(line(200), line(2000)).max(40).default({}),
    }),
  },
  name: { name: line(MAX_NAME).required() },
  describe: {
    pigment,
    ornament,
    description,
    showsLeaves: Joi.boolean(),
    isTemplate: Joi.boolean(),
    templateId: id.allow(null),
  },
  place: { parentId, afterId },
  putBack: {
    parentId,
    orderKey: Joi.string()
      .pattern(/^[0-9A-Za-z]{1,200}$/u)
      .required(),
  },
  season: {
    season: Joi.string()
      .valid(...SEASONS)
      .required(),
  },
  bin: {},
  unbin: {},
  restore: {},
  duplicate: { copyId: id.required() },
  pin: { afterId },
  unpin: {},
  unmake: {},
  putBlocks: {
    afterId: afterId.required(),
    nodes: nodes.required(),
  },
  dropBlocks: { blockIds },
  moveBlocks: {
    blocks: Joi.array()
      .items(
        Joi.object({
          id: id.required(),
          from: id.required(),
          to: id.required(),
          afterId: afterId.required(),
          depth: Joi.number().integer().min(0).max(MAX_DEPTH).required(),
        }),
      )
      .max(MAX_BLOCKS)
      .required(),
  },
  addFormer: { blockId: id.required(), formerIds: blockIds },
  removeFormer: { blockId: id.required(), formerIds: blockIds },
  lift: { blockIds, pageId: id.required(), parentId: id.required() },
  split: { parentId: id.required(), seed: id.required() },
  foldBack: {},
  rewrite: { nodes: nodes.required(), was: nodes },
  otherNames: { names: Joi.array().items(line(400)).max(MAX_OTHER_NAMES).required() },
  linkNames: {
    day,
    places: Joi.array()
      .items(Joi.object({ pageId: id.required(), blockId: id.required() }))
      .max(MAX_ACTS)
      .required(),
  },
  leaveUnlinked: { pageId: id.required(), blockId: id.required(), isLeft: Joi.boolean().required() },
  merge: { intoId: id.required() },
  leadTo: { toId: id.allow(null).required() },
  send: {
    toId: id.required(),
    blockIds,
    at: Joi.alternatives(Joi.string().valid('head', 'end'), id).required(),
    form: Joi.string()
      .valid(...SEND_FORMS)
      .required(),
    seed: id.required(),
  },
};

/** Every act that may be asked for. */
export const ACT_KINDS = Object.keys(SCHEMAS) as Act['do'][];

const act = Joi.alternatives().conditional(Joi.ref('.do'), {
  switch: Object.entries(SCHEMAS).map(([name, schema]) => ({
    is: name,
    then: Joi.object({ do: Joi.string().required(), id: id.required(), ...schema }),
  })),
  otherwise: Joi.object({
    do: Joi.string()
      .valid(...Object.keys(SCHEMAS))
      .required(),
  }).unknown(),
});

/** Everything that changes the outline: making, naming, moving, laying aside, deleting, and taking any of it back. */
export function actRoutes({ acts, entries, noteName, forgetNames, notices, log }: Services): Router {
  const router = Router();
  /** What is done is done: should its targets not be read, the window asks for them by itself. */
  const targetsOf = (viewer: Viewer, ids: readonly string[]) => {
    try {
      return entries.targets(viewer, ids);
    } catch (error) {
      log.error(error, 'the targets of acts could not be read');
      return [];
    }
  };
  route(
    router,
    {
      method: 'post',
      path: '/acts',
      summary: 'Does structural acts, all of them or none; answers with the acts that take them back.',
      body: Joi.object({ acts: Joi.array().items(act).min(1).max(MAX_ACTS).required() }),
    },
    async ({ viewer, body }) => {
      const wanted = (body as { acts: Act[] }).acts;
      const { undo, touched } = await acts.perform(viewer, wanted);
      if (wanted.some(({ do: name }) => MAKES_MANY.has(name))) forgetNames(viewer.accountId);
      else for (const each of touched) noteName(viewer.accountId, each);
      notices.send(viewer.accountId, { pageId: touched.length === 1 ? touched[0]! : null, changed: changedBy(wanted) });
      return { undo, targets: targetsOf(viewer, touched) };
    },
  );
  return router;
}

/** Acts that make or take away more pages than they name. */
const MAKES_MANY = new Set<Act['do']>(['duplicate', 'split', 'unmake', 'merge', 'leadTo']);

/** Renaming and pinning leave what points where as it was. */
function changedBy(acts: readonly Act[]): ('title' | 'links' | 'outline' | 'desk' | 'alsoNamed')[] {
  if (acts.every((each) => each.do === 'leaveUnlinked')) return ['alsoNamed'];
  const isPinning = acts.every((each) => each.do === 'pin' || each.do === 'unpin');
  if (isPinning) return ['desk'];
  const isLinkNeutral = acts.every((each) => each.do === 'name' || each.do === 'describe' || each.do === 'make');
  return isLinkNeutral ? ['outline', 'title', 'desk'] : ['outline', 'title', 'links', 'desk', 'alsoNamed'];
}
