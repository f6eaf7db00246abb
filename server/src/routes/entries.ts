import { Router } from 'express';
import Joi from 'joi';
import { ENTRY_KINDS, MAX_NAME, ORNAMENTS, PIGMENTS } from '@glossarion/core/outline';
import type { Entry } from '../entities';
import type { Services } from '../services';
import type { NewEntry } from '../services/entries';
import { id, line, route, withId } from './route';

const pigment = Joi.string().valid(...PIGMENTS);
const ornament = Joi.string().valid(...ORNAMENTS);
const description = line(2000);

/** Notebooks, sections and pages as entries of the contents. */
export function entryRoutes({ entries, documents, find, notices }: Services): Router {
  const router = Router();

  route(router, { method: 'get', path: '/notebooks', summary: 'The notebooks in their order.' }, ({ account }) =>
    entries.notebooks(account.id),
  );

  route(
    router,
    {
      method: 'get',
      path: '/entries/:id',
      summary: 'One notebook, section or page and where it stands.',
      params: withId,
    },
    ({ account, params }) => {
      const { row: _row, ownerId: _owner, ...entry } = entries.own(account.id, params.id!);
      return { ...entry, ...entries.place(account.id, params.id!) };
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/entries/:id/contents',
      summary: 'What stands beneath it, a few levels down.',
      params: withId,
    },
    ({ account, params }) => entries.contents(account.id, params.id!),
  );

  route(
    router,
    {
      method: 'post',
      path: '/entries',
      summary: 'Makes a notebook, a section or a page. Can be repeated with the same id.',
      body: Joi.object({
        id: id.optional(),
        kind: Joi.string()
          .valid(...ENTRY_KINDS)
          .required(),
        parentId: id.allow(null).required(),
        afterId: id.allow(null).optional(),
        name: line(MAX_NAME).required(),
        pigment: pigment.optional(),
        ornament: ornament.allow(null).optional(),
        description: description.optional(),
      }),
    },
    async ({ account, body }) => {
      const made = await entries.make(account.id, body as NewEntry);
      find.note(account.id, made.id);
      notices.send(account.id, { pageId: made.id, changed: ['outline', 'title'] });
      return entries.targets(account.id, [made.id])[0];
    },
  );

  route(
    router,
    {
      method: 'patch',
      path: '/entries/:id',
      summary: 'Renames or describes an entry, or changes its pigment or ornament.',
      params: withId,
      body: Joi.object({
        name: line(MAX_NAME).optional(),
        pigment: pigment.optional(),
        ornament: ornament.allow(null).optional(),
        description: description.optional(),
      }).min(1),
    },
    async ({ account, params, body }) => {
      const { name, ...rest } = body as Partial<Entry>;
      const entry = entries.own(account.id, params.id!);
      const isPage = entry.kind === 'page';
      if (isPage && name !== undefined) await documents.rename(account.id, entry.id, name);
      const changes = isPage || name === undefined ? rest : { ...rest, name };
      if (Object.keys(changes).length > 0) await entries.change(account.id, entry.id, changes);
      find.note(account.id, entry.id);
      notices.send(account.id, { pageId: entry.id, changed: ['outline', 'title'] });
    },
  );

  for (const [method, path, isDeleted, summary] of [
    ['delete', '/entries/:id', true, 'Puts an entry into the bin with everything beneath it.'],
    ['post', '/entries/:id/restore', false, 'Takes an entry out of the bin again.'],
  ] as const) {
    route(router, { method, path, summary, params: withId }, async ({ account, params }) => {
      await entries.setDeleted(account.id, params.id!, isDeleted);
      notices.send(account.id, { pageId: params.id!, changed: ['outline', 'title', 'links'] });
    });
  }

  route(
    router,
    {
      method: 'get',
      path: '/targets',
      summary: 'What links show of these ids: present title, trail, state.',
      query: Joi.object({ ids: Joi.string().max(8000).required() }),
    },
    ({ account, query }) => {
      const wish = query as { ids: string };
      const wanted = wish.ids.split(',').filter((each) => !id.validate(each).error);
      return entries.targets(account.id, wanted.slice(0, 200));
    },
  );

  route(
    router,
    { method: 'get', path: '/blocks/:id', summary: 'The page a block stands on, now or formerly.', params: withId },
    ({ account, params }) => {
      const block = entries.block(account.id, params.id!);
      return block ? { pageId: block.pageId, blockId: block.blockId } : { pageId: null, blockId: null };
    },
  );

  route(
    router,
    {
      method: 'get',
      path: '/recent',
      summary: 'The pages changed last.',
      query: Joi.object({ limit: Joi.number().integer().min(1).max(50).default(12) }),
    },
    ({ account, query }) => entries.recent(account.id, (query as { limit: number }).limit),
  );

  return router;
}
