import { newId } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/outline';
import { hers, line, make, mine, SECRET, theirs } from './people';

/** The acts as Tomas may try them; what he does on his own pages does succeed, on both servers. */
export const acts: Record<Act['do'], () => object[]> = {
  make: () => [
    ...hers().map((id) => make(newId(), 'page', id, 'Inside')),
    ...hers().map((id) => ({ ...make(newId(), 'page', mine.notebook, 'Beside'), afterId: id })),
    ...hers().map((id) => ({ ...make(newId(), 'page', mine.notebook, 'Of'), overviewOf: id })),
    ...hers().map((id) => ({
      ...make(newId(), 'page', mine.notebook, 'From'),
      from: { templateId: id, date: '9 March', time: '10:00', answers: {} },
    })),
  ],
  name: () => hers().map((id) => ({ do: 'name', id, name: 'Mine now' })),
  describe: () => [
    ...hers().map((id) => ({ do: 'describe', id, showsLeaves: true })),
    ...hers().map((id) => ({ do: 'describe', id: mine.notebook, templateId: id })),
  ],
  place: () => [
    ...hers().map((id) => ({ do: 'place', id, parentId: mine.notebook })),
    ...hers().map((id) => ({ do: 'place', id: mine.page, parentId: id })),
    ...hers().map((id) => ({ do: 'place', id: mine.page, parentId: mine.notebook, afterId: id })),
  ],
  putBack: () => [
    ...hers().map((id) => ({ do: 'putBack', id, parentId: mine.notebook, orderKey: 'a0' })),
    ...hers().map((id) => ({ do: 'putBack', id: mine.page, parentId: id, orderKey: 'a0' })),
  ],
  season: () => hers().map((id) => ({ do: 'season', id, season: 'aside' })),
  bin: () => hers().map((id) => ({ do: 'bin', id })),
  unbin: () => hers().map((id) => ({ do: 'unbin', id })),
  restore: () => hers().map((id) => ({ do: 'restore', id })),
  duplicate: () => hers().map((id) => ({ do: 'duplicate', id, copyId: newId() })),
  pin: () => [
    ...hers().map((id) => ({ do: 'pin', id })),
    ...hers().map((id) => ({ do: 'pin', id: mine.page, afterId: id })),
  ],
  unpin: () => hers().map((id) => ({ do: 'unpin', id })),
  unmake: () => hers().map((id) => ({ do: 'unmake', id })),
  putBlocks: () => [
    ...hers().map((id) => ({ do: 'putBlocks', id, afterId: null, nodes: [line('Mine')] })),
    ...hers().map((id) => ({ do: 'putBlocks', id: mine.page, afterId: id, nodes: [line('Mine')] })),
    ...hers().map((id) => ({ do: 'putBlocks', id: mine.page, afterId: null, nodes: [line('Hers', id, id)] })),
  ],
  dropBlocks: () => hers().map((id) => ({ do: 'dropBlocks', id, blockIds: [theirs.block] })),
  moveBlocks: () => [
    ...hers().map((id) => ({
      do: 'moveBlocks',
      id: mine.page,
      blocks: [{ id: theirs.block, from: id, to: mine.page, afterId: null, depth: 0 }],
    })),
    ...hers().map((id) => ({
      do: 'moveBlocks',
      id,
      blocks: [{ id: mine.block, from: mine.page, to: id, afterId: null, depth: 0 }],
    })),
  ],
  addFormer: () => [
    ...hers().map((id) => ({ do: 'addFormer', id, blockId: theirs.block, formerIds: [newId()] })),
    ...hers().map((id) => ({ do: 'addFormer', id: mine.page, blockId: mine.block, formerIds: [id] })),
  ],
  removeFormer: () => [
    ...hers().map((id) => ({ do: 'removeFormer', id, blockId: theirs.block, formerIds: [newId()] })),
    ...hers().map((id) => ({ do: 'removeFormer', id: mine.page, blockId: mine.block, formerIds: [id] })),
  ],
  lift: () => [
    ...hers().map((id) => ({ do: 'lift', id, blockIds: [theirs.block], pageId: newId(), parentId: mine.notebook })),
    ...hers().map((id) => ({ do: 'lift', id: mine.page, blockIds: [mine.block], pageId: newId(), parentId: id })),
    ...hers().map((id) => ({
      do: 'lift',
      id: mine.page,
      blockIds: [id],
      pageId: newId(),
      parentId: mine.notebook,
    })),
  ],
  split: () => [
    ...hers().map((id) => ({ do: 'split', id, parentId: mine.notebook, seed: newId() })),
    ...hers().map((id) => ({ do: 'split', id: mine.page, parentId: id, seed: newId() })),
  ],
  foldBack: () => hers().map((id) => ({ do: 'foldBack', id })),
  rewrite: () => [
    ...hers().map((id) => ({ do: 'rewrite', id, nodes: [line('Mine', theirs.block)] })),
    ...hers().map((id) => ({ do: 'rewrite', id: mine.page, nodes: [line('Mine', id)] })),
  ],
  otherNames: () => [
    ...hers().map((id) => ({ do: 'otherNames', id, names: ['Mine'] })),
    { do: 'otherNames', id: mine.page, names: [`Other ${SECRET}`] },
    { do: 'otherNames', id: mine.page, names: [] },
  ],
  linkNames: () => [
    ...hers().map((id) => ({ do: 'linkNames', id, places: [{ pageId: mine.page, blockId: mine.block }] })),
    ...hers().map((id) => ({ do: 'linkNames', id: mine.page, places: [{ pageId: id, blockId: theirs.block }] })),
  ],
  leaveUnlinked: () => [
    ...hers().map((id) => ({ do: 'leaveUnlinked', id, pageId: mine.page, blockId: mine.block, isLeft: true })),
    ...hers().map((id) => ({ do: 'leaveUnlinked', id: mine.page, pageId: id, blockId: theirs.block, isLeft: true })),
  ],
  merge: () => [
    ...hers().map((id) => ({ do: 'merge', id, intoId: mine.page })),
    ...hers().map((id) => ({ do: 'merge', id: mine.page, intoId: id })),
  ],
  leadTo: () => [
    ...hers().map((id) => ({ do: 'leadTo', id, toId: mine.page })),
    ...hers().map((id) => ({ do: 'leadTo', id: mine.page, toId: id })),
  ],
  send: () =>
    hers().flatMap((id) => {
      const copying = { do: 'send', at: 'end', form: 'copy' };
      return [
        { ...copying, id, toId: mine.page, blockIds: [theirs.block], seed: newId() },
        { ...copying, id: mine.page, toId: id, blockIds: [mine.block], seed: newId() },
        { ...copying, id: mine.page, toId: mine.page, blockIds: [mine.block], at: id, seed: newId() },
      ];
    }),
};
