import { shownWords, type NodeJson } from '../../document';
import type { ReadFile } from '../markdown';
import { isCollection, isPage, readIncoming } from '.';

/** What was read of a file: each page with its lines. */
const read = (path: string, text: string) =>
  readIncoming({ path, text }).map(({ path: where, front, blocks, refusal }: ReadFile) => ({
    ...{ path: where, front, ...(refusal !== null && { refusal }) },
    lines: (JSON.parse(blocks) as NodeJson[]).map((node) => {
      const { kind = 'paragraph', depth = 0, state, due, repeat, priority } = node.attrs ?? {};
      const said = [state, due, repeat, priority].filter(Boolean).join(' ');
      return `${'  '.repeat(Number(depth))}${String(kind)}${said ? ` ${said}` : ''}: ${shownWords(node, () => '')}`;
    }),
  }));

const linksIn = (text: string): unknown[] => {
  const walk = (node: NodeJson): unknown[] =>
    node.type === 'pageLink' ? [node.attrs?.reference] : (node.content ?? []).flatMap(walk);
  const [file] = readIncoming({ path: 'A/page.html', text });
  return (JSON.parse(file!.blocks) as NodeJson[]).flatMap(walk);
};

test('plain text: a line each, indented ones beneath, and one line of what was broken to fit a window', () => {
  const broken = Array.from({ length: 4 }, () => 'the lower leaf has dropped again on the seaward side, they say').join(
    '\n',
  );
  expect(
    read('Mill/plan.txt', `Drain the pool\n\tLift the boards\n    then the pin\n\n${broken}\n\n# not a heading`),
  ).toEqual([
    {
      path: 'Mill/plan.txt',
      front: {},
      lines: [
        'paragraph: Drain the pool',
        '  paragraph: Lift the boards',
        '  paragraph: then the pin',
        `paragraph: ${broken.replaceAll('\n', ' ')}`,
        'paragraph: # not a heading',
      ],
    },
  ]);
});

test('HTML: its first heading is the title, links within the folder are links, scripts are left', () => {
  const page =
    '<html><head><title>Visit – Old site</title><script>x()</script></head><body><h1>Visit</h1><p>Silt.</p></body></html>';
  expect(read('visit.html', page)).toEqual([
    { path: 'visit.html', front: { title: 'Visit' }, lines: ['paragraph: Silt.'] },
  ]);
  // A day is called by its date: its first heading is one of its lines.
  expect(read('Journal/2026-03-09.html', page)).toEqual([
    { path: 'Journal/2026-03-09.html', front: { title: 'Visit' }, lines: ['heading: Visit', 'paragraph: Silt.'] },
  ]);
  expect(read('bare.htm', '<p>Silt.</p>')).toMatchObject([{ front: {}, lines: ['paragraph: Silt.'] }]);
  expect(
    linksIn(
      '<p><a href="../B/gate%20two.html?x=1#leaf">a</a> <a href="https://mill.example/">b</a> <a href="#top">c</a></p>',
    ),
  ).toEqual([
    { form: 'path', name: '../B/gate two.html#leaf' },
    { form: 'path', name: '#top' },
  ]);
});

test('an outline: its items beneath each other, with addresses and notes; what is no outline is refused', () => {
  const outline = `<?xml version="1.0"?><opml version="2.0"><head><title>Spares</title></head><body>
    <outline text="Bolts &amp; nuts" _note="from Holm"><outline text="M20"/></outline>
    <outline text="Holm" url="https://holm.example/"/></body></opml>`;
  expect(read('list.opml', outline)).toEqual([
    {
      path: 'list.opml',
      front: { title: 'Spares' },
      lines: ['bulleted: Bolts & nuts', '  paragraph: from Holm', '  bulleted: M20', 'bulleted: Holm'],
    },
  ]);
  expect(read('broken.opml', '<opml><body>')).toMatchObject([
    { refusal: 'It is no XML that can be read, and was left out.' },
  ]);
  expect(read('other.opml', '<rss/>')).toMatchObject([{ refusal: expect.stringContaining('no outline') as string }]);
});

test('a table: a page for each row, of a kind that is called like the file, with quotes, line ends and a mark before all', () => {
  expect(
    read('Old/supplier.csv', '\ufeffTown,Name,Note\r\nSaltmere,"Holm, Ironworks","two\nlines"\r\n,Ostrey,\r\n'),
  ).toEqual([
    {
      path: 'Old/supplier/Holm, Ironworks.md',
      front: {
        title: 'Holm, Ironworks',
        kinds: ['supplier'],
        fields: { Town: { values: ['Saltmere'] }, Note: { values: ['two\nlines'] } },
      },
      lines: [],
    },
    { path: 'Old/supplier/Ostrey.md', front: { title: 'Ostrey', kinds: ['supplier'], fields: {} }, lines: [] },
  ]);
  expect(read('empty.csv', 'Name,Town\n')).toMatchObject([
    { refusal: 'It is a table without rows, and was left out.' },
  ]);
});

test('cards: a person each, with what there are fields for, and every other word as a line', () => {
  const card = (lines: string) => `BEGIN:VCARD\r\nVERSION:3.0\r\n${lines}\r\nEND:VCARD\r\n`;
  expect(
    read(
      'all.vcf',
      card(
        'FN:Joan Ebbing\r\nORG:Holm Ironworks\r\nitem1.EMAIL:joan@holm.example\r\nTEL;TYPE=CELL:+44 1632 960123\r\nNOTE:Ask for the foreman\r\nADR:;;1 Quay;Saltmere;;;',
      ) + card('N:Pell;Osric;;;'),
    ),
  ).toEqual([
    {
      path: 'all/Joan Ebbing.md',
      front: {
        title: 'Joan Ebbing',
        kinds: ['person'],
        fields: {
          'Works for': { values: ['[[Holm Ironworks]]'] },
          Mail: { values: ['joan@holm.example'] },
          Telephone: { values: ['+44 1632 960123'] },
        },
      },
      lines: ['paragraph: Ask for the foreman', 'paragraph: Adr: 1 Quay, Saltmere'],
    },
    { path: 'all/Osric Pell.md', front: { title: 'Osric Pell', kinds: ['person'], fields: {} }, lines: [] },
  ]);
  expect(read('no.vcf', 'hello')).toMatchObject([{ refusal: expect.stringContaining('no card') as string }]);
});

test('a calendar: events on their days, tasks as to-dos', () => {
  const lines = [
    ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'X-WR-CALNAME:Yard'],
    ...[
      'BEGIN:VEVENT',
      'UID:1',
      'DTSTART:20260309T161000',
      'SUMMARY:Call with Callum',
      'LOCATION:the yard',
      'DESCRIPTION:Ask for the bore\\, at three heights\\n\\nand the pin.',
      'END:VEVENT',
    ],
    ...['BEGIN:VEVENT', 'UID:2', 'DTSTART;VALUE=DATE:20260309', 'SUMMARY:Neap tide', 'END:VEVENT'],
    ...[
      'BEGIN:VTODO',
      'UID:3',
      'SUMMARY:Grease the screw',
      'DUE:20261130T093000',
      'PRIORITY:1',
      'DTSTART:20261130T093000',
    ],
    ...['RRULE:FREQ=WEEKLY;BYDAY=MO', 'END:VTODO'],
    ...[
      'BEGIN:VTODO',
      'UID:4',
      'SUMMARY:Order elm',
      'STATUS:COMPLETED',
      'DESCRIPTION:Twelve feet',
      'END:VTODO',
      'END:VCALENDAR',
    ],
  ];
  expect(read('yard.ics', lines.join('\r\n'))).toEqual([
    {
      path: 'Journal/2026-03-09.md',
      front: {},
      lines: [
        'paragraph: Neap tide',
        'paragraph: 16:10 Call with Callum, the yard',
        '  paragraph: Ask for the bore, at three heights',
        '  paragraph: and the pin.',
      ],
    },
    {
      path: 'yard.md',
      front: { title: 'Yard' },
      lines: [
        'todo open 2026-11-30T09:30 FREQ=WEEKLY;BYDAY=MO high: Grease the screw',
        'todo done: Order elm',
        '  paragraph: Twelve feet',
      ],
    },
  ]);
});

test('a page of JSON that is none, of a later version, or with blocks that there are none of is refused by a sentence', () => {
  const page = (more: object) => JSON.stringify({ format: 'glossarion page', version: 1, front: {}, ...more });
  const refusal = (text: string) => read('A/Gate.page.json', text)[0]!.refusal;
  expect(refusal('{')).toBe('It is no JSON, and was left out.');
  expect(refusal('{"a":1}')).toBe('It is JSON that says no page, and was left out.');
  expect(refusal(page({ version: 9 }))).toContain('a later version');
  expect(refusal(page({ content: 3 }))).toContain('no list');
  expect(refusal(page({ content: [{ type: 'drawing' }] }))).toContain('It was left out.');
  expect(refusal(page({ content: [] }))).toBeUndefined();
});

test('what leads out of a JSON export shows what that was called, where it is not', () => {
  const content = [
    {
      type: 'block',
      attrs: { id: '018f0000-0000-7000-8000-000000000001' },
      content: [{ type: 'pageLink', attrs: { target: '018f0000-0000-7000-8000-000000000002' } }],
    },
  ];
  const named = { '018f0000-0000-7000-8000-000000000002': 'Winch' };
  const [file] = readIncoming({
    path: 'Gate.page.json',
    text: JSON.stringify({ format: 'glossarion page', version: 1, front: { title: 'Gate' }, content, named }),
  });
  expect(file!.blocks).toContain('"words":"Winch"');
});

test('files are known by their names, whatever their capitals', () => {
  expect(['a.MD', 'b.Htm', 'c.page.json', 'd.TXT'].map(isPage)).toEqual([true, true, true, true]);
  expect(['a.CSV', 'b.opml', 'c.vcf', 'd.ics'].map(isCollection)).toEqual([true, true, true, true]);
  expect(['a.json', 'b.png', 'md', 'c.docx'].map((name) => isPage(name) || isCollection(name))).toEqual([
    false,
    false,
    false,
    false,
  ]);
});
