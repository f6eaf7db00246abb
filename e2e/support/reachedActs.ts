import type { ActKind } from '@glossarion/core/acts';

/** Where an act is done: a menu and what it offers there; or what it is a part, or the taking back, of. */
export type Reached = [menu: MenuName, tool: RegExp] | { partOf: ActKind };

/** Every act with the tool that does it. */
export const DONE: Record<ActKind, Reached> = {
  addFormer: { partOf: 'foldBack' },
  beginPeriod: ['calendar', /^Week \d+ of \d{4}/u],
  bin: ['entry', /^Delete page$/u],
  describe: ['entry', /^Make this a template$/u],
  describeKind: ['kind', /^Rename$/u],
  describeTag: ['tag', /^Delete$/u],
  dropBlocks: { partOf: 'lift' },
  duplicate: ['entry', /^Duplicate/u],
  file: ['jotting', /^File: /u],
  foldBack: ['page', /^Fold back/u],
  jot: ['jot', /^Keep$/u],
  leadTo: { partOf: 'merge' },
  leaveUnlinked: { partOf: 'linkNames' },
  lift: ['line', /^Lift to a page$/u],
  linkNames: ['margin', /^Link/u],
  make: ['entry', /^New page beside$/u],
  merge: ['page', /^Merge/u],
  mergeTags: ['tag', /^Merge into/u],
  moveBlocks: ['line', /^Send elsewhere$/u],
  moveGloss: ['gloss', /^Set .* beside another line$/u],
  name: ['entry', /^Rename$/u],
  nameTag: ['tag', /^Rename$/u],
  otherNames: ['page', /^Other names/u],
  pin: ['entry', /^Pin/u],
  place: ['entry', /^Move to/u],
  putBack: { partOf: 'place' },
  putBlocks: { partOf: 'send' },
  removeFormer: { partOf: 'foldBack' },
  restore: ['bin', /^Bring back/u],
  rewrite: { partOf: 'linkNames' },
  saveSearch: ['find', /^Save this search$/u],
  season: ['entry', /^Lay aside$/u],
  send: ['line', /^Send elsewhere$/u],
  setField: ['kind', /^Add a field$/u],
  setFields: { partOf: 'merge' },
  setKinds: ['page', /^Kinds/u],
  setTask: ['line', /^Due, put off, repeat$/u],
  split: ['page', /^Split/u],
  tray: ['jotting', /^Keep: /u],
  unbin: { partOf: 'bin' },
  unmake: { partOf: 'make' },
  unpin: ['pinned', /^Take from the pins$/u],
  wear: ['page', /^Tags…$/u],
};

export type MenuName =
  | ('page' | 'entry' | 'pinned' | 'chosen' | 'line' | 'lines' | 'table' | 'margin' | 'gloss' | 'bin' | 'writing')
  | ('calendar' | 'jot' | 'jotting' | 'kind' | 'tag' | 'find');
