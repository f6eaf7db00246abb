import { ACT_KINDS } from '@glossarion/core/acts';
import type { ClientMessage } from '@glossarion/core/messages';
import { acts } from './acts';
import { SECRET, theirs, type Attempt } from './people';

/** How a route is asked: the addresses, and for those that change something what is said. */
export type Row = (attempt: Attempt) => { address: string; body?: object | Buffer }[];
export const plain =
  (...addresses: string[]): Row =>
  () =>
    addresses.map((address) => ({ address }));
export const withEach =
  (address: string, body?: object): Row =>
  ({ ids, own }) =>
    [...ids, own.page].map((id) => ({ address: address.replace(':id', id), ...(body && { body }) }));

const REPLACED = { by: 'mine', isExpression: false, isCase: false, isWhole: false };

/** The id of what Tomas has done. */
const WORK = '0199aaaa-0000-7000-8000-00000000beef';

export const rows: Record<string, Row> = {
  // Open to everybody; what they tell of accounts is tried in access.test.ts.
  'post /accounts': plain(),
  'get /session': plain('/session'),
  'post /session': plain(),
  'post /session/demo': plain('/session/demo'),
  'delete /session': plain('/session'),
  'put /account/passphrase': () => [
    { address: '/account/passphrase', body: { present: 'wrong words', next: 'oak and hornbeam' } },
  ],
  'post /acts': (attempt) =>
    ACT_KINDS.flatMap((kind) => acts[kind](attempt).map((act) => ({ address: '/acts', body: { acts: [act] } }))),
  'get /bin': plain('/bin', `/bin?q=${SECRET}`),
  'get /bin/:id/breaks': withEach('/bin/:id/breaks'),
  'delete /bin/:id': withEach('/bin/:id'),
  'delete /bin': plain('/bin'),
  'get /desk': plain('/desk'),
  'get /pins': plain('/pins'),
  'get /searches': plain('/searches'),
  'get /recent': plain('/recent'),
  'get /tasks': ({ ids }) => [
    { address: '/tasks?today=2026-03-09' },
    ...ids.map((id) => ({ address: `/tasks?today=2026-03-09&by=page&of=${id}&where=linking` })),
  ],
  'get /tray': plain('/tray'),
  'get /tray/waiting': plain('/tray/waiting?today=2026-03-09'),
  'get /journal/periods/:periods': plain('/journal/periods/2026-W11,2026-03'),
  'get /calendar/tasks': plain('/calendar/tasks'),
  // What it ends with is known to nobody else; tried in calendarFiles.test.ts.
  'get /calendar/at/:secret': ({ ids }) => ids.map((id) => ({ address: `/calendar/at/${id}.ics` })),
  'get /calendar/address': plain('/calendar/address'),
  'post /calendar/address': () => [{ address: '/calendar/address', body: {} }],
  'delete /calendar/address': plain('/calendar/address'),
  'get /tasks/due': plain('/tasks/due?today=2026-03-09'),
  'get /pages/:id/tasks': withEach('/pages/:id/tasks'),
  'get /tasks/brought': plain('/tasks/brought?day=2026-03-09&today=2026-03-09&older=true'),
  'post /entries/:id/visits': withEach('/entries/:id/visits', {}),
  'get /notebooks': plain('/notebooks'),
  'get /entries/:id': withEach('/entries/:id'),
  'get /entries/:id/contents': withEach('/entries/:id/contents'),
  'get /entries/:id/beneath': withEach('/entries/:id/beneath'),
  'put /entries/:id/fold': withEach('/entries/:id/fold', { isOpen: true }),
  'get /targets': ({ ids, own }) => [{ address: `/targets?ids=${[...ids, own.page].join()}` }],
  'get /blocks/:id': withEach('/blocks/:id'),
  // The very bytes that Ines added, whose words are not read: whether they are there already must not show.
  'post /files': () => [{ address: '/files?name=own.bin', body: Buffer.from(SECRET) }],
  'get /files/:id': withEach('/files/:id'),
  'get /files/:id/:name': withEach('/files/:id/any.txt'),
  'get /find': plain(
    `/find?q=${SECRET}`,
    '/find?q=race',
    `/find?q=${SECRET.slice(0, 3)}`,
    `/find?q=tag:${SECRET}`,
    `/find?q=in:${SECRET}`,
    '/find?q=has:tasks',
  ),
  'post /replace/preview': ({ word }) =>
    [word, SECRET].map((find) => ({ address: '/replace/preview', body: { ...REPLACED, find, searched: '' } })),
  'post /replace': ({ ids, block }) =>
    ids.map((pageId) => ({
      address: '/replace',
      body: { ...REPLACED, find: 'a', chosen: [{ pageId, blockId: block, state: 'ab' }] },
    })),
  // What is asked comes back in its readings: a slip of the secret tells whether its word is known.
  'get /find/words': plain(`/find/words?q=${SECRET.slice(0, -2)}t`, '/find/words?q=race', '/find/words?q=own'),
  'get /find/list': plain(
    `/find/list?of=lines&q=${SECRET}`,
    '/find/list?of=tasks&q=race',
    '/find/list?of=pages&q=has:tasks',
  ),
  'get /find/counts': plain(`/find/counts?q=${SECRET}`, '/find/counts?q=race', '/find/counts?q=has:tasks'),
  'get /names': plain(`/names?q=${SECRET}`, '/names?q=Own', '/names?q=Mill'),
  'get /pickables': plain('/pickables'),
  'get /web-title': ({ ids }) => ids.map((id) => ({ address: `/web-title?address=http://notes.example/p/${id}` })),
  'post /imports': ({ word }) => [
    { address: '/imports', body: { files: [{ path: 'In/A.md', text: `[[${word} ${theirs.page}]] #${word}` }] } },
  ],
  'post /imports/zip': ({ ids }) =>
    ids.map(() => ({ address: `/imports/zip?id=${WORK}`, body: Buffer.from('no zip') })),
  'post /imports/looks': ({ ids }) =>
    ids.map(() => ({ address: `/imports/looks?id=${WORK}`, body: Buffer.from('no zip') })),
  'get /imports/folders': plain('/imports/folders'),
  'post /imports/folders/looks': () => [{ address: '/imports/folders/looks', body: { id: WORK, name: '../..' } }],
  'post /exports': ({ ids }) => ids.map((of) => ({ address: '/exports', body: { id: WORK, of } })),
  'get /works': plain('/works'),
  'get /works/:id': withEach('/works/:id'),
  'get /works/:id/takingBack': withEach('/works/:id/takingBack'),
  'get /works/:id/file': withEach('/works/:id/file'),
  'post /works/:id/takingIn': withEach('/works/:id/takingIn', { present: 'leave' }),
  'delete /works/:id': withEach('/works/:id'),
  'get /pages/:id': withEach('/pages/:id'),
  'get /pages/:id/log': withEach('/pages/:id/log?order=oldest'),
  'get /pages/:id/margin': withEach('/pages/:id/margin?hasFacets=true'),
  'get /pages/:id/alsoNamed': withEach('/pages/:id/alsoNamed'),
  'get /pages/:id/kin': withEach('/pages/:id/kin'),
  'get /pages/:id/lines': withEach('/pages/:id/lines'),
  'get /glimpses/:id': (told) => [...withEach('/glimpses/:id')(told), ...withEach('/glimpses/:id?around=true')(told)],
  'get /journal/days/:day': plain('/journal/days/2026-03-09'),
  'get /journal/days': plain('/journal/days?before=2027-01-01'),
  'get /journal/calendar': plain('/journal/calendar?from=2026-03-01&to=2026-03-31'),
  'get /journal/days/:day/around': plain('/journal/days/2026-03-09/around'),
  'get /settings': plain('/settings'),
  'put /settings': ({ ids }) =>
    ids.map((id) => ({
      address: '/settings',
      body: { key: 'dayTemplates', value: { every: id, weekdays: {} } },
    })),
  // It says only what the person themself asked for; no page is looked at.
  'put /settings/margins/:id': withEach('/settings/margins/:id', { isHidden: true }),
  'get /tags': plain('/tags'),
  'get /tags/uses': plain('/tags/uses'),
  'get /tags/:id/lines': withEach('/tags/:id/lines'),
  'get /pages/:id/tags/offered': withEach('/pages/:id/tags/offered'),
  'get /kinds': plain('/kinds'),
  'get /likely-kinds': plain('/likely-kinds'),
  'get /kinds/:id/pages': withEach('/kinds/:id/pages'),
  'get /fields/:id/held': withEach('/fields/:id/held'),
  'get /review/:period': plain('/review/2026-03?today=2026-03-09', '/review/2026?today=2026-03-09'),
  'get /meetings/about': ({ ids, own }) => [
    { address: `/meetings/about?today=2026-03-09&ids=${[...ids, own.page].join()}` },
  ],
  'get /templates': plain('/templates'),
  'get /entries/:id/template': withEach('/entries/:id/template'),
};

export const messages: Record<ClientMessage['type'], (id: string) => object> = {
  open: (page) => ({ type: 'open', page }),
  close: (page) => ({ type: 'close', page }),
  part: (page) => ({ type: 'part', page, number: 1, update: 'AAA=' }),
  update: (page) => ({ type: 'update', page, epoch: 1, number: 1, update: 'AAA=' }),
};
