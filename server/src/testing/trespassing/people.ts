import request from 'supertest';
import { block, newId } from '@glossarion/core/document';
import { GrantEntity } from '../../entities';
import type { Person, TestedServer } from '../makeServer';

/** Stands in everything that Ines wrote. */
export const SECRET = 'zwillingsrad';

/** What Ines has, by ids that Tomas has got hold of. */
export const theirs = {
  notebook: newId(),
  page: newId(),
  other: newId(),
  template: newId(),
  binned: newId(),
  block: newId(),
  import: newId(),
  tag: newId(),
};
/** What of it was granted to Edda to read: a section with pages that speak of what was not. */
export const granted = { section: newId(), page: newId(), beneath: newId(), block: newId() };
/** A tag that a line of it wears, and the one that this stands beneath. */
export const grantedTag = newId();
export const grantedIds = (): string[] => Object.values(granted);

/** What somebody has of their own. */
export interface Own {
  notebook: string;
  page: string;
  block: string;
}
const own = (): Own => ({ notebook: newId(), page: newId(), block: newId() });
/** What Tomas has, and what Edda has. */
export const mine = own();
export const eddas = own();

/** What is tried: ids of another account, one of a block of it, and what whoever tries has. */
export interface Attempt {
  ids: readonly string[];
  own: Own;
  block: string;
  /** A word that whoever tries writes of their own. */
  word: string;
}

/** Ids that the server itself gave to what Ines added, and that Tomas has got hold of too. */
export const given: { file: string; day: string } = { file: newId(), day: newId() };
/** All that is hers and was granted to nobody. */
export const kept = (): string[] => [...Object.values(theirs), ...Object.values(given)];
export const hers = (): string[] => [...kept(), ...grantedIds()];

export const make = (id: string, kind: string, parentId: string | null, name: string): object => ({
  do: 'make',
  id,
  kind,
  parentId,
  name,
});
export const link = (target: string) => ({ type: 'pageLink', attrs: { target, words: null } });
export const line = (words: string, id = newId(), ...targets: string[]) => {
  const node = block('paragraph', words, { id });
  return { ...node, content: [...(node.content ?? []), ...targets.map(link)] };
};

export async function settleInes(server: TestedServer): Promise<Person> {
  const ines = await server.person('Ines');
  const act = (...acts: object[]) => ines.post('/acts', { acts }).expect(200);
  await act(make(theirs.notebook, 'notebook', null, `Mill ${SECRET}`));
  for (const id of [theirs.page, theirs.other, theirs.template, theirs.binned]) {
    await act(make(id, 'page', theirs.notebook, `${SECRET} ${id}`));
  }
  const nodes = [line(`${SECRET} #${SECRET} in the race`, theirs.block, theirs.other, mine.page, mine.block)];
  nodes[0]!.content.push({ type: 'tag', attrs: { tag: theirs.tag, name: SECRET } as never });
  await act({ do: 'putBlocks', id: theirs.page, afterId: null, nodes });
  const task = block('todo', `${SECRET} to do`, { id: newId() });
  await act({ do: 'putBlocks', id: theirs.other, afterId: null, nodes: [task, line('Own page of the weir')] });
  await act({ do: 'otherNames', id: theirs.page, names: [`Other ${SECRET}`] });
  await act({ do: 'describe', id: theirs.template, isTemplate: true });
  await act({ do: 'describe', id: theirs.notebook, templateId: theirs.template });
  await act({ do: 'pin', id: theirs.page });
  await act({ do: 'saveSearch', id: newId(), saved: { name: SECRET, line: SECRET } });
  await act({ do: 'bin', id: theirs.binned });
  await act(
    make(granted.section, 'section', theirs.notebook, 'Open section'),
    make(granted.page, 'page', granted.section, 'Open page'),
    make(granted.beneath, 'page', granted.page, 'Beneath it'),
  );
  const open = [line('The open race ', granted.block, theirs.page, theirs.block, granted.beneath)];
  open[0]!.content.push({ type: 'tag', attrs: { tag: grantedTag, name: 'Weirs/Open tag' } as never });
  await act({ do: 'putBlocks', id: granted.page, afterId: null, nodes: open });
  const back = [line('Also the Open page ', newId(), granted.page)];
  await act({ do: 'putBlocks', id: granted.beneath, afterId: null, nodes: back });
  const secret = [line(`${SECRET} speaks of the Open page `, newId(), granted.page, granted.block)];
  await act({ do: 'putBlocks', id: theirs.other, afterId: null, nodes: secret });
  await ines.post(`/entries/${theirs.page}/visits`).expect(204);
  const files = [{ path: 'Journal/2026-03-09.md', text: `${SECRET} on this day.` }];
  await ines.post('/imports', { id: theirs.import, files }).expect(200);
  given.day = (await ines.get('/journal/days/2026-03-09')).body.pageId as string;
  const file = await request(server.url)
    .post(`/api/files?name=${SECRET}.txt`)
    .set('Cookie', ines.cookie)
    .set('Origin', server.url)
    .type('application/octet-stream')
    .send(Buffer.from(SECRET))
    .expect(200);
  given.file = (file.body as { id: string }).id;
  return ines;
}

/** Makes an account with a page that links to what is hers. */
async function settle(server: TestedServer, name: string, { notebook, page, block: blockId }: Own): Promise<Person> {
  const person = await server.person(name);
  const act = (...acts: object[]) => person.post('/acts', { acts }).expect(200);
  await act(make(notebook, 'notebook', null, 'Own'), make(page, 'page', notebook, 'Own page'));
  const nodes = [line('In the race', blockId, theirs.page, theirs.block, given.day)];
  await act({ do: 'putBlocks', id: page, afterId: null, nodes });
  return person;
}

export const settleTomas = (server: TestedServer): Promise<Person> => settle(server, 'Tomas', mine);

/** Somebody who was given a section of hers to read. No route gives anything yet: it is put there. */
export async function settleEdda(server: TestedServer): Promise<Person> {
  const edda = await settle(server, 'Edda', eddas);
  await server.services.database.write((manager) =>
    manager.insert(GrantEntity, { accountId: edda.id, entryId: granted.section, mayWrite: 0 }),
  );
  return edda;
}
