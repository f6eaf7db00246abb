import fc from 'fast-check';
import { stringify } from 'yaml';
import { canonicalBeside, newId, type Beside, type Content } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { writeFrontBeside } from '@glossarion/core/formats/frontBeside';
import { KindTree, type KnownKinds } from '@glossarion/core/kinds';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;

beforeAll(async () => {
  server = await makeServer();
});
afterAll(() => server.stop());

const act = async (person: Person, ...acts: Act[]): Promise<void> => {
  const answer = await person.post('/acts', { acts });
  expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
};

/** Somebody with kinds of their own, one of which takes over from another. */
async function withKinds(): Promise<{ person: Person; tree: KindTree }> {
  const person = await server.person();
  const [boat, punt, hull, draught, fit] = [newId(), newId(), newId(), newId(), newId()];
  await act(
    person,
    { do: 'describeKind', id: boat, name: 'boat' },
    { do: 'describeKind', id: punt, name: 'punt', broaderId: boat },
    { do: 'setField', id: hull, kindId: boat, name: 'Hull', type: 'text' },
    { do: 'setField', id: draught, kindId: boat, name: 'Draught', type: 'number', unit: 'm' },
    { do: 'setField', id: fit, kindId: punt, name: 'Fit for the race', type: 'yesNo' },
  );
  const { kinds, fields } = (await person.get('/kinds')).body as KnownKinds;
  return { person, tree: new KindTree(kinds, fields) };
}

const PEOPLE = ['Tomas Wren', 'Callum Frayne'];

function arbitraryBeside(tree: KindTree, pages: readonly string[]): fc.Arbitrary<Beside> {
  const { kinds, fields } = tree.everything();
  const choices = fields.flatMap((field) => field.choices.map(({ id }) => id));
  const content = fc.record<Content>(
    {
      atom: fc.oneof(
        fc.string(),
        fc.double({ noNaN: true, noDefaultInfinity: true }),
        fc.boolean(),
        fc.constantFrom('2026-03-09', '2026-03-01/..', 'https://mill.example/', 'yes', '5', ...choices),
      ),
      text: fc.oneof(fc.string(), fc.constantFrom('about 1868', '- one', 'a: b', 'two\nlines')),
      pages: fc.uniqueArray(fc.constantFrom(...pages)),
    },
    { requiredKeys: [] },
  );
  return fc
    .record({
      kinds: fc.uniqueArray(fc.constantFrom(...kinds.map(({ id }) => id)), { maxLength: 3 }),
      fields: fc.dictionary(fc.constantFrom(...fields.map(({ id }) => id)), content, { maxKeys: 5 }),
    })
    .map(canonicalBeside);
}

test('F7 pages of random kinds with random fields, written as Markdown and taken in, are and hold what they did', async () => {
  const { person, tree } = await withKinds();
  // The pages that fields lead to get their ids when they are taken in.
  const named = PEOPLE.map(() => newId());
  const written = fc.sample(arbitraryBeside(tree, named), 120);
  const linkOf = (id: string) => `[A page](${encodeURIComponent(PEOPLE[named.indexOf(id)]!)}.md)`;
  const files = written.map((beside, index) => ({
    path: `Mill/Page ${index}.md`,
    text: `---\n${stringify(writeFrontBeside(beside, tree, linkOf))}---\nText.\n`,
  }));
  const people = PEOPLE.map((name) => ({ path: `Mill/${name}.md`, text: 'Known.\n' }));
  const taken = await person.post('/imports', { files: [...people, ...files] });
  expect([taken.status, (taken.body as { remarks?: unknown[] }).remarks]).toEqual([200, []]);
  const { find, pages } = server.services;
  const idOf = async (name: string) =>
    (await find.byName(person.viewer, name, 20)).find(({ title }) => title === name)!.id;
  const here = new Map<string, string>();
  for (const [index, name] of PEOPLE.entries()) here.set(named[index]!, await idOf(name));
  const led = ({ kinds, fields }: Beside): Beside => ({
    kinds,
    fields: Object.fromEntries(
      Object.entries(fields).map(([id, content]) => [
        id,
        content.pages ? { ...content, pages: content.pages.map((page) => here.get(page)!) } : content,
      ]),
    ),
  });
  for (const [index, beside] of written.entries()) {
    const { body } = await pages.read(person.viewer, await idOf(`Page ${index}`));
    const { kinds = [], fields = {} } = body;
    expect([index, { kinds, fields }]).toEqual([index, led(beside)]);
  }
  // Nothing was made for it: what there was is what it is.
  const after = (await person.get('/kinds')).body as KnownKinds;
  expect(new KindTree(after.kinds, after.fields).everything()).toEqual(tree.everything());
  expect(await checkData(server.services.database)).toEqual([]);
});
