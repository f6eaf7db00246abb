import request from 'supertest';
import { block, newId } from '@glossarion/core/document';
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
};
/** What Tomas has. */
export const mine = { notebook: newId(), page: newId(), block: newId() };
/** Ids that the server itself gave to what Ines added, and that Tomas has got hold of too. */
export const given: { file: string; day: string } = { file: newId(), day: newId() };
export const hers = (): string[] => [...Object.values(theirs), ...Object.values(given)];

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
  await act({ do: 'putBlocks', id: theirs.page, afterId: null, nodes });
  const task = block('todo', `${SECRET} to do`, { id: newId() });
  await act({ do: 'putBlocks', id: theirs.other, afterId: null, nodes: [task, line('Own page of the weir')] });
  await act({ do: 'otherNames', id: theirs.page, names: [`Other ${SECRET}`] });
  await act({ do: 'describe', id: theirs.template, isTemplate: true });
  await act({ do: 'describe', id: theirs.notebook, templateId: theirs.template });
  await act({ do: 'pin', id: theirs.page });
  await act({ do: 'bin', id: theirs.binned });
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

export async function settleTomas(server: TestedServer): Promise<Person> {
  const tomas = await server.person('Tomas');
  const act = (...acts: object[]) => tomas.post('/acts', { acts }).expect(200);
  await act(make(mine.notebook, 'notebook', null, 'Own'), make(mine.page, 'page', mine.notebook, 'Own page'));
  const nodes = [line('In the race', mine.block, theirs.page, theirs.block, given.day)];
  await act({ do: 'putBlocks', id: mine.page, afterId: null, nodes });
  return tomas;
}
