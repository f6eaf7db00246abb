import { newId } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { grantedTag, line, make, theirs, type Attempt } from './people';

const DUE = { set: 'due', due: '2026-03-09' };

/** The acts as somebody may try them with ids of another account; what they do on their own pages does succeed. */
export const acts: Record<Act['do'], (attempt: Attempt) => object[]> = {
  make: ({ ids, own }) => [
    ...ids.map((id) => make(newId(), 'page', id, 'Inside')),
    ...ids.map((id) => ({ ...make(newId(), 'page', own.notebook, 'Beside'), afterId: id })),
    ...ids.map((id) => ({ ...make(newId(), 'page', own.notebook, 'Of'), overviewOf: id })),
    ...ids.map((id) => ({
      ...make(newId(), 'page', own.notebook, 'From'),
      from: { templateId: id, date: '9 March', time: '10:00', answers: {} },
    })),
  ],
  name: ({ ids }) => ids.map((id) => ({ do: 'name', id, name: 'Mine now' })),
  describe: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'describe', id, showsLeaves: true })),
    ...ids.map((id) => ({ do: 'describe', id: own.notebook, templateId: id })),
  ],
  // A kind is of one's own account, whatever it is said to be for.
  describeKind: ({ ids }) => [
    ...ids.map((id) => ({ do: 'describeKind', id: newId(), name: `With ${id}`, templateId: id })),
    ...ids.map((id) => ({ do: 'describeKind', id: newId(), name: `At ${id}`, placeId: id })),
  ],
  // So is a tag, and it stands beneath one's own alone.
  describeTag: ({ ids }) => [
    ...[theirs.tag, ...ids].map((id) => ({ do: 'describeTag', id: newId(), name: `Like ${id}`, mergedInto: id })),
    ...ids.map((id) => ({ do: 'describeTag', id: newId(), name: `Within ${id}`, parentId: id })),
  ],
  nameTag: ({ ids }) => [theirs.tag, grantedTag, ...ids].map((id) => ({ do: 'nameTag', id, path: 'Mine' })),
  mergeTags: ({ ids }) => [
    { do: 'mergeTags', id: grantedTag, intoId: theirs.tag },
    ...ids.map((id) => ({ do: 'mergeTags', id: grantedTag, intoId: id })),
  ],
  wear: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'wear', id, tagIds: [], lineId: newId() })),
    { do: 'wear', id: own.page, tagIds: [theirs.tag], lineId: newId() },
  ],
  setField: ({ ids }) => ids.map((id) => ({ do: 'setField', id: newId(), kindId: id, name: 'Mine' })),
  setKinds: ({ ids }) => ids.map((id) => ({ do: 'setKinds', id, add: [newId()] })),
  setFields: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'setFields', id, fields: [{ field: newId(), text: 'Mine' }] })),
    ...ids.map((id) => ({ do: 'setFields', id: own.page, fields: [{ field: newId(), pages: [id] }] })),
  ],
  place: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'place', id, parentId: own.notebook })),
    ...ids.map((id) => ({ do: 'place', id: own.page, parentId: id })),
    ...ids.map((id) => ({ do: 'place', id: own.page, parentId: own.notebook, afterId: id })),
  ],
  putBack: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'putBack', id, parentId: own.notebook, orderKey: 'a0' })),
    ...ids.map((id) => ({ do: 'putBack', id: own.page, parentId: id, orderKey: 'a0' })),
  ],
  jot: ({ ids }) =>
    ids.map((id) => ({ do: 'jot', id: newId(), nodes: [line('Mine', newId(), id)], at: '2026-03-09T08:00:00.000Z' })),
  tray: ({ ids }) => ids.map((id) => ({ do: 'tray', id, jotting: 'waiting', comesBack: null })),
  file: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'file', id, toId: own.page, at: 'end' })),
    ...ids.map((id) => ({ do: 'file', id: own.page, toId: id, at: 'end' })),
  ],
  beginPeriod: ({ ids }) => ids.map((id) => ({ do: 'beginPeriod', id, period: '2026-W11' })),
  season: ({ ids }) => ids.map((id) => ({ do: 'season', id, season: 'aside' })),
  bin: ({ ids }) => ids.map((id) => ({ do: 'bin', id })),
  unbin: ({ ids }) => ids.map((id) => ({ do: 'unbin', id })),
  restore: ({ ids }) => ids.map((id) => ({ do: 'restore', id })),
  duplicate: ({ ids }) => ids.map((id) => ({ do: 'duplicate', id, copyId: newId() })),
  pin: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'pin', id })),
    ...ids.map((id) => ({ do: 'pin', id: own.page, afterId: id })),
  ],
  // A search is one's own, whatever its id is, and whatever it looks for.
  saveSearch: ({ ids }) => ids.map((id) => ({ do: 'saveSearch', id, saved: { name: 'Mine', line: id }, afterId: id })),
  unpin: ({ ids }) => ids.map((id) => ({ do: 'unpin', id })),
  unmake: ({ ids }) => ids.map((id) => ({ do: 'unmake', id })),
  putBlocks: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'putBlocks', id, afterId: null, nodes: [line('Mine')] })),
    ...ids.map((id) => ({ do: 'putBlocks', id: own.page, afterId: id, nodes: [line('Mine')] })),
    ...ids.map((id) => ({ do: 'putBlocks', id: own.page, afterId: null, nodes: [line('Hers', id, id)] })),
  ],
  dropBlocks: ({ ids, block }) => ids.map((id) => ({ do: 'dropBlocks', id, blockIds: [block] })),
  moveBlocks: ({ ids, own, block }) => [
    ...ids.map((id) => ({
      do: 'moveBlocks',
      id: own.page,
      blocks: [{ id: block, from: id, to: own.page, afterId: null, depth: 0 }],
    })),
    ...ids.map((id) => ({
      do: 'moveBlocks',
      id,
      blocks: [{ id: own.block, from: own.page, to: id, afterId: null, depth: 0 }],
    })),
  ],
  addFormer: ({ ids, own, block }) => [
    ...ids.map((id) => ({ do: 'addFormer', id, blockId: block, formerIds: [newId()] })),
    ...ids.map((id) => ({ do: 'addFormer', id: own.page, blockId: own.block, formerIds: [id] })),
  ],
  removeFormer: ({ ids, own, block }) => [
    ...ids.map((id) => ({ do: 'removeFormer', id, blockId: block, formerIds: [newId()] })),
    ...ids.map((id) => ({ do: 'removeFormer', id: own.page, blockId: own.block, formerIds: [id] })),
  ],
  lift: ({ ids, own, block }) => [
    ...ids.map((id) => ({ do: 'lift', id, blockIds: [block], pageId: newId(), parentId: own.notebook })),
    ...ids.map((id) => ({ do: 'lift', id: own.page, blockIds: [own.block], pageId: newId(), parentId: id })),
    ...ids.map((id) => ({
      do: 'lift',
      id: own.page,
      blockIds: [id],
      pageId: newId(),
      parentId: own.notebook,
    })),
  ],
  split: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'split', id, parentId: own.notebook, seed: newId() })),
    ...ids.map((id) => ({ do: 'split', id: own.page, parentId: id, seed: newId() })),
  ],
  foldBack: ({ ids }) => ids.map((id) => ({ do: 'foldBack', id })),
  rewrite: ({ ids, own, block }) => [
    ...ids.map((id) => ({ do: 'rewrite', id, nodes: [line('Mine', block)] })),
    ...ids.map((id) => ({ do: 'rewrite', id: own.page, nodes: [line('Mine', newId(), id)] })),
  ],
  otherNames: ({ ids, own, word }) => [
    ...ids.map((id) => ({ do: 'otherNames', id, names: ['Mine'] })),
    { do: 'otherNames', id: own.page, names: [`Other ${word}`] },
    { do: 'otherNames', id: own.page, names: [] },
  ],
  linkNames: ({ ids, own, block }) => [
    ...ids.map((id) => ({ do: 'linkNames', id, places: [{ pageId: own.page, blockId: own.block }] })),
    ...ids.map((id) => ({ do: 'linkNames', id: own.page, places: [{ pageId: id, blockId: block }] })),
  ],
  setTask: ({ ids, own, block }) => [
    ...ids.map((id) => ({ do: 'setTask', id, blockId: block, change: DUE, occurrence: null })),
    { do: 'setTask', id: own.page, blockId: block, change: DUE, occurrence: null },
  ],
  moveGloss: ({ ids, own, block }) => [
    ...ids.map((id) => ({ do: 'moveGloss', id, blockId: own.block, lineId: block, isMoved: true })),
    ...ids.map((id) => ({ do: 'moveGloss', id: own.page, blockId: block, lineId: id, isMoved: true })),
  ],
  leaveUnlinked: ({ ids, own, block }) => [
    ...ids.map((id) => ({ do: 'leaveUnlinked', id, pageId: own.page, blockId: own.block, isLeft: true })),
    ...ids.map((id) => ({ do: 'leaveUnlinked', id: own.page, pageId: id, blockId: block, isLeft: true })),
  ],
  merge: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'merge', id, intoId: own.page })),
    ...ids.map((id) => ({ do: 'merge', id: own.page, intoId: id })),
  ],
  leadTo: ({ ids, own }) => [
    ...ids.map((id) => ({ do: 'leadTo', id, toId: own.page })),
    ...ids.map((id) => ({ do: 'leadTo', id: own.page, toId: id })),
  ],
  send: ({ ids, own, block }) =>
    ids.flatMap((id) => {
      const copying = { do: 'send', at: 'end', form: 'copy' };
      return [
        { ...copying, id, toId: own.page, blockIds: [block], seed: newId() },
        { ...copying, id: own.page, toId: id, blockIds: [own.block], seed: newId() },
        { ...copying, id: own.page, toId: own.page, blockIds: [own.block], at: id, seed: newId() },
      ];
    }),
};
