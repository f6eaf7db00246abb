import { shownWords, type NodeJson } from '@glossarion/core/document';
import type { FoundList } from '@glossarion/core/margin';
import type { Target } from '@glossarion/core/links';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';

let server: TestedServer;
let ines: Person;

beforeAll(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
  await ines
    .post('/imports', {
      files: [
        {
          path: 'Mill/Gate.md',
          text: 'The gudgeon is worn. #iron\n\n- [ ] Grease it\n  - with tallow\n- [x] Measure it\n',
        },
        { path: 'Mill/Weir.md', text: 'A gudgeon and a [[Gate]]. #iron\n\n- [ ] Ask Callum\n' },
        { path: 'Mill/Apron.md', text: 'Stones. #iron\n' },
        { path: 'Journal/2026-03-09.md', text: 'Callum brought a gudgeon.\n' },
      ],
    })
    .expect(200);
});
afterAll(() => server.stop());

const list = async (asked: string) => (await ines.get(`/find/list?${asked}`).expect(200)).body as FoundList;
const titles = ({ pages }: FoundList) => pages.map(({ title }) => title);
const words = ({ glosses, targets }: FoundList) => {
  const titleOf = (id: string) => targets.find((target) => target.id === id)?.title ?? '?';
  const shown = (node: NodeJson) => shownWords(node, titleOf);
  return glosses.map(({ node, children }) => [shown(node), ...children.map(shown)].join(' / '));
};

test('F5 pages stand in the order that was chosen, as many as were', async () => {
  expect(titles(await list('q=tag:iron&of=pages&by=title'))).toEqual(['Apron', 'Gate', 'Weir']);
  const first = await list('q=tag:iron&of=pages&by=title&most=1');
  expect([titles(first), first.count, first.isMore]).toEqual([['Apron'], 3, false]);
  const dated = await list('q=gudgeon&of=pages&by=oldest');
  expect(dated.pages[0]!.day).toBe('2026-03-09');
  expect((await list('q=gudgeon&of=pages&by=newest')).pages.at(-1)!.day).toBe('2026-03-09');
});

test('F5 lines that fit stand with what is beneath them, and open tasks of the pages found', async () => {
  expect(words(await list('q=gudgeon%20in:Mill&of=lines&by=title'))).toEqual([
    'The gudgeon is worn. iron',
    'A gudgeon and a Gate. iron',
  ]);
  const one = await list('q=gudgeon%20in:Mill&of=lines&by=title&most=1');
  expect([words(one), one.isMore]).toEqual([['The gudgeon is worn. iron'], true]);
  const tasks = await list('q=tag:iron&of=tasks&by=title');
  expect(words(tasks)).toEqual(['Grease it / with tallow', 'Ask Callum']);
  expect(tasks.count).toBe(2);
});

test('F5 a list follows what is written, and is empty of what asks for nothing', async () => {
  const [gate] = (await ines.get('/names?q=Gate')).body as Target[];
  await ines.post('/acts', { acts: [{ do: 'bin', id: gate!.id }] }).expect(200);
  expect(titles(await list('q=tag:iron&of=pages&by=title'))).toEqual(['Apron', 'Weir']);
  expect(await list('q=&of=lines')).toMatchObject({ count: 0, glosses: [], isMore: false });
  const odd = await list('q=tag:nothing&of=lines');
  expect([odd.count, odd.remarks.length]).toEqual([0, 1]);
  await ines.get('/find/list?q=x&of=everything').expect(400);
});
