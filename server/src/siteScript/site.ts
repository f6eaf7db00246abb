import { wordsIn } from '@glossarion/core/words';
import type { FoundPage } from '@glossarion/core/formats/site';
import { Search, SHOWN, type Result } from './search';

/** What a site does: finds, and opens what stands beside lines where there is room. No server is asked. */

declare global {
  interface Window {
    found: (pages: readonly FoundPage[]) => void;
    foundIn: (files: number) => void;
  }
}

/** The width from which what leads to a line stands beside it. */
const WIDE = '(min-width: 1080px)';
const LINE = 260;

const script = document.currentScript as HTMLScriptElement;
const root = script.src.replace(/site\/site\.js$/u, '');
const search = new Search();

const bringIn = (file: string): Promise<void> =>
  new Promise((resolve, reject) => {
    const element = document.createElement('script');
    element.src = `${root}site/${file}`;
    element.onload = () => resolve();
    element.onerror = () => reject(new Error(file));
    document.head.append(element);
  });

let files = 0;
window.found = (pages) => search.add(pages);
window.foundIn = (count) => (files = count);

let bringing: Promise<void> | null = null;
const words = (): Promise<void> =>
  (bringing ??= (async () => {
    await bringIn('words.js');
    for (let file = 1; file <= files; file += 1) await bringIn(`words-${file}.js`);
  })());

const make = (tag: string, look: string, text = ''): HTMLElement => {
  const element = document.createElement(tag);
  if (look) element.className = look;
  element.textContent = text;
  return element;
};

/** A line with the words marked that were looked for, from shortly before the first. */
function marked(line: string, wanted: readonly string[]): HTMLElement {
  const element = make('span', 'words');
  const hits = wordsIn(line).filter(({ word }) => wanted.some((each) => word.startsWith(each)));
  const before = Math.max(0, (hits[0]?.start ?? 0) - 60);
  // No word is cut in two.
  const from = before === 0 ? 0 : line.indexOf(' ', before) + 1;
  let at = from;
  if (from > 0) element.append('…');
  for (const { start, end } of hits) {
    if (start < at || start > from + LINE) continue;
    element.append(line.slice(at, start), make('mark', '', line.slice(start, end)));
    at = end;
  }
  element.append(line.slice(at, Math.max(at, from + LINE)), line.length > from + LINE ? '…' : '');
  return element;
}

function itemOf({ path, title, trail, line }: Result, wanted: readonly string[]): HTMLElement {
  const item = make('li', '');
  const link = make('a', 'line', title) as HTMLAnchorElement;
  link.href = root + path.split('/').map(encodeURIComponent).join('/') + (line?.anchor ? `#${line.anchor}` : '');
  item.append(link);
  if (trail) item.append(make('span', 'where', trail), document.createElement('br'));
  if (line) item.append(marked(line.words, wanted));
  return item;
}

async function show(typed: string): Promise<void> {
  const found = document.getElementById('found')!;
  if (typed.trim() === '') {
    found.hidden = true;
    found.replaceChildren();
    return;
  }
  await words();
  // Somebody typed on meanwhile.
  if ((document.getElementById('find') as HTMLInputElement).value !== typed) return;
  const { count, results, words: wanted } = search.find(typed);
  const says =
    count === 0
      ? `Nothing is found by ${typed.trim()}.`
      : `${count} ${count === 1 ? 'page' : 'pages'}${count > SHOWN ? `, of which ${SHOWN} are shown` : ''}`;
  const status = make('p', 'count', says);
  status.setAttribute('role', 'status');
  const list = make('ol', '');
  list.append(...results.map((each) => itemOf(each, wanted)));
  found.replaceChildren(status, ...(count > 0 ? [list] : []));
  found.hidden = false;
}

function begin(): void {
  const field = document.getElementById('find') as HTMLInputElement;
  field.addEventListener('input', () => void show(field.value));
  field.form!.addEventListener('submit', (event) => {
    event.preventDefault();
    void show(field.value);
  });
  const wide = window.matchMedia(WIDE);
  const open = () => {
    for (const each of document.querySelectorAll<HTMLDetailsElement>('details.glosses')) each.open = wide.matches;
  };
  open();
  wide.addEventListener('change', open);
}

begin();
