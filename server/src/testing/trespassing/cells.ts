import type { Act } from '@glossarion/core/acts';

/**
 * What must come when somebody who was given a part to read asks for it, in the order of the rows: for the section that
 * was given, the page in it, the one beneath that, and a line of it; last, where there is one, for a page of their own.
 */

const READ = [200, 200, 200, 404, 200];
const NOTED = [204, 204, 204, 404, 204];
/** What is refused to whoever may only read; a line is no entry. */
const REFUSED = [403, 403, 403, 404];
const OWN = [200, 200, 200, 200];

export const ROUTE_CELLS: Record<string, readonly number[]> = {
  // These are tried in access.test.ts.
  'post /accounts': [],
  'post /session': [],
  'get /session': [200],
  'post /session/demo': [404],
  'delete /session': [204],
  'put /account/passphrase': [401],
  'get /bin': [200, 200],
  'get /bin/:id/breaks': [...REFUSED, 409],
  'delete /bin/:id': [...REFUSED, 409],
  'delete /bin': [200],
  'get /desk': [200],
  'get /pins': [200],
  'get /recent': [200],
  'get /tasks': [200, 200, 200, 200, 200],
  'get /tray': [200],
  'get /tray/waiting': [200],
  'get /journal/periods/:periods': [200],
  'get /calendar/tasks': [200],
  'get /calendar/at/:secret': [404, 404, 404, 404],
  'get /calendar/address': [200],
  'post /calendar/address': [200],
  'delete /calendar/address': [204],
  'get /tasks/due': [200],
  'get /pages/:id/tasks': READ,
  'get /tasks/brought': [200],
  'post /entries/:id/visits': NOTED,
  'get /notebooks': [200],
  'get /entries/:id': READ,
  'get /entries/:id/contents': READ,
  'get /entries/:id/beneath': READ,
  'put /entries/:id/fold': NOTED,
  'get /targets': [200],
  'get /blocks/:id': [200, 200, 200, 200, 200],
  'post /files': [200],
  'get /files/:id': [404, 404, 404, 404, 404],
  'get /files/:id/:name': [404, 404, 404, 404, 404],
  'get /find': [200, 200, 200],
  'get /names': [200, 200, 200],
  'get /pickables': [200],
  'get /web-title': OWN,
  'post /imports': [200],
  'get /imports/:id': [404, 404, 404, 404, 404],
  'delete /imports/:id': [400, 400, 400, 400, 400],
  'get /pages/:id': READ,
  'get /pages/:id/margin': READ,
  'get /pages/:id/alsoNamed': READ,
  'get /pages/:id/kin': [200, 200, 200, 200, 200],
  'get /pages/:id/lines': READ,
  'get /glimpses/:id': [200, 200, 200, 200, 200],
  'get /journal/days/:day': [200],
  'get /journal/days': [200],
  'get /journal/calendar': [200],
  'get /journal/days/:day/around': [200],
  'get /settings': [200],
  'put /settings': [204, 204, 204, 204],
  'put /settings/margins/:id': [204, 204, 204, 204, 204],
  'get /tags': [200],
  'patch /tags/:id': [404, 404, 404, 404, 404],
  'get /templates': [200],
  'get /entries/:id/template': READ,
};

/** An act may be tried in several ways, one after the other. */
export const ACT_CELLS: Record<Act['do'], readonly number[]> = {
  make: [403, 403, 403, 400, ...OWN, 200, 200, 200, 404, 404, 200, 200, 404],
  name: REFUSED,
  describe: [...REFUSED, 200, 200, 200, 404],
  place: [...REFUSED, 403, 403, 403, 400, ...OWN],
  putBack: [...REFUSED, 403, 403, 403, 400],
  jot: OWN,
  tray: REFUSED,
  file: [409, 409, 409, 404, 404, 409, 409, 404],
  beginPeriod: [403, 403, 403, 400],
  season: REFUSED,
  bin: REFUSED,
  unbin: REFUSED,
  restore: REFUSED,
  duplicate: [400, 403, 403, 404],
  pin: [200, 200, 200, 404, ...OWN],
  unpin: OWN,
  unmake: [403, 403, 403, 200],
  putBlocks: [...REFUSED, ...OWN, ...OWN],
  dropBlocks: REFUSED,
  moveBlocks: [404, 403, 403, 404, ...REFUSED],
  addFormer: [...REFUSED, ...OWN],
  removeFormer: [...REFUSED, ...OWN],
  lift: [404, 403, 400, 404, 403, 403, 403, 400, ...OWN],
  split: [404, 400, 400, 404, 400, 400, 400, 400],
  foldBack: [400, 400, 403, 400],
  rewrite: [...REFUSED, 409, 409, 409, 409],
  otherNames: [...REFUSED, 200, 200],
  // Lines that name nothing there are left as they are.
  linkNames: [200, 200, 200, 404, 404, 200, 200, 404],
  // What is said of a page of one's own is one's own, whatever it names.
  moveGloss: [...REFUSED, ...OWN],
  setTask: [...REFUSED, 409],
  leaveUnlinked: [200, 200, 200, 400, ...REFUSED],
  merge: [404, 403, 403, 404, 404, 403, 403, 404],
  leadTo: [...REFUSED, 404, 200, 200, 404],
  // Of each: copied from it, copied to it, and copied at it.
  send: [404, 404, 400, 200, 403, 400, 400, 403, 400, 404, 404, 400],
};
