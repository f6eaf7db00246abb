import { ownWords } from '../../document/text';
import { block } from '../../document/build';
import { isId, newId } from '../../document/ids';
import { MAX_OTHER_NAMES } from '../../outline/acts';
import type { BodyJson, NodeJson } from '../../document/types';
import { foldWords } from '../../find/words';
import { isDay } from '../../journal/day';
import { readMarkdown } from './blocks';
import type { FrontMatter } from './frontMatter';
import { ownWordsOfLink } from './resolve';
import type { ImportPlan, ImportRemark, LinkReference, MarkdownFile, PlannedEntry } from './types';

/**
 * Turns a folder of Markdown files into a plan of what an import will make.
 *
 * A folder at the outermost level is a notebook, one further in a section; a folder that has a file of the same name
 * beside it holds the pages beneath that page. `index.md` in a folder speaks of the folder itself (pigment, ornament,
 * description, and the order of what it holds); outside any folder it gives the order of the notebooks. Files named by a date in a folder named Journal are days.
 */

const JOURNAL = 'journal';

interface Folder {
  name: string;
  front: FrontMatter;
  files: Map<string, MarkdownFile>;
  folders: Map<string, Folder>;
}

const newFolder = (name: string): Folder => ({ name, front: {}, files: new Map(), folders: new Map() });

export interface PlanOptions {
  /** The id of a day's page, whether the import makes it or not. */
  dayIdOf: (day: string) => string;
  /** A name for the notebook that takes in files outside any folder. */
  looseNotebook: string;
}

export function planImport(files: readonly MarkdownFile[], options: PlanOptions): ImportPlan {
  const remarks: ImportRemark[] = [];
  const root = newFolder('');
  const sorted = [...files].sort((one, other) => one.path.localeCompare(other.path, 'en', { numeric: true }));
  for (const file of sorted) sortIn(root, file, options.looseNotebook, remarks);

  const plan: ImportPlan = { entries: [], days: [], namedDays: [], remarks };
  const resolver = new Resolver(options.dayIdOf);
  const pending: { entry?: PlannedEntry; day?: string; path: string; blocks: NodeJson[] }[] = [];

  const takePage = (file: MarkdownFile, name: string, parentId: string): PlannedEntry => {
    const read = readMarkdown(file.text, (what) => remarks.push({ path: file.path, what }));
    const title = read.front.title ?? name;
    const entry: PlannedEntry = { id: read.front.id ?? newId(), kind: 'page', parentId, name: title };
    if (read.front.begun) entry.begunAt = read.front.begun;
    if (read.front.changed) entry.changedAt = read.front.changed;
    if (read.front.leaves) entry.showsLeaves = true;
    if (read.front.aliases) entry.otherNames = read.front.aliases.slice(0, MAX_OTHER_NAMES);
    takeSeason(entry, read.front);
    plan.entries.push(entry);
    resolver.know(file.path, title, entry);
    pending.push({ entry, path: file.path, blocks: withTags(withoutTitle(read.blocks, title), read.front.tags) });
    return entry;
  };

  const takeFolder = (folder: Folder, parentId: string): void => {
    for (const name of orderedNames(folder)) {
      const file = folder.files.get(name);
      const inner = folder.folders.get(name);
      if (file) {
        const page = takePage(file, name, parentId);
        if (inner) takePagesBeneath(inner, page.id);
      } else if (inner) {
        takeFolder(inner, takeHolder(inner, 'section', parentId).id);
      }
    }
  };

  const takePagesBeneath = (folder: Folder, parentId: string): void => {
    for (const name of orderedNames(folder)) {
      const file = folder.files.get(name) ?? { path: `${folder.name}/${name}.md`, text: '' };
      const page = takePage(file, name, parentId);
      const inner = folder.folders.get(name);
      if (inner) takePagesBeneath(inner, page.id);
    }
  };

  const takeHolder = (folder: Folder, kind: 'notebook' | 'section', parentId: string | null): PlannedEntry => {
    const entry: PlannedEntry = {
      id: folder.front.id ?? newId(),
      kind,
      parentId,
      name: folder.front.title ?? folder.name,
    };
    if (folder.front.pigment) entry.pigment = folder.front.pigment;
    if (folder.front.ornament) entry.ornament = folder.front.ornament;
    if (folder.front.description) entry.description = folder.front.description;
    takeSeason(entry, folder.front);
    plan.entries.push(entry);
    return entry;
  };

  for (const name of orderedNames(root)) {
    const folder = root.folders.get(name)!;
    if (foldWords(name) === JOURNAL && [...folder.files.keys()].some(isDay)) takeDays(folder, pending, remarks);
    else takeFolder(folder, takeHolder(folder, 'notebook', null).id);
  }

  for (const { entry, day, path, blocks } of pending) {
    const makeMissing = (title: string): string => {
      const holder = entry?.parentId ?? plan.entries.find((each) => each.kind === 'notebook')?.id;
      if (!holder) {
        const notebook = newId();
        plan.entries.unshift({ id: notebook, kind: 'notebook', parentId: null, name: options.looseNotebook });
        return addMissing(plan, resolver, title, notebook);
      }
      return addMissing(plan, resolver, title, holder);
    };
    const content = blocks.map((node) => resolver.resolve(node, path, makeMissing, remarks));
    const body: BodyJson = { type: 'doc', content: content.length > 0 ? content : [block('paragraph')] };
    if (entry) entry.body = body;
    else plan.days.push({ day: day!, body });
  }
  const written = new Set(plan.days.map(({ day }) => day));
  plan.namedDays = [...resolver.namedDays].filter((day) => !written.has(day));
  return plan;
}

function takeSeason(entry: PlannedEntry, { season }: FrontMatter): void {
  if (season && season !== 'now') entry.season = season;
}

function addMissing(plan: ImportPlan, resolver: Resolver, title: string, parentId: string): string {
  const entry: PlannedEntry = { id: newId(), kind: 'page', parentId, name: title };
  plan.entries.push(entry);
  resolver.know(`${title}.md`, title, entry);
  return entry.id;
}

function sortIn(root: Folder, file: MarkdownFile, looseNotebook: string, remarks: ImportRemark[]): void {
  const steps = file.path
    .replaceAll('\\', '/')
    .split('/')
    .filter((step) => step !== '' && step !== '.');
  const last = steps.pop() ?? '';
  const name = last.replace(/\.(md|markdown)$/iu, '');
  if (name === last) {
    remarks.push({ path: file.path, what: 'A file that is not Markdown.' });
    return;
  }
  if (steps.length === 0 && name === 'index') {
    root.front = readMarkdown(file.text, (what) => remarks.push({ path: file.path, what })).front;
    return;
  }
  let folder = root;
  for (const step of steps.length > 0 ? steps : [looseNotebook]) {
    if (!folder.folders.has(step)) folder.folders.set(step, newFolder(step));
    folder = folder.folders.get(step)!;
  }
  if (name === 'index') {
    const read = readMarkdown(file.text, (what) => remarks.push({ path: file.path, what }));
    folder.front = read.front;
    if (read.blocks.length > 0)
      folder.files.set(read.front.title ?? folder.name, { path: file.path, text: bodyOnly(file.text) });
  } else {
    folder.files.set(name, file);
  }
}

const bodyOnly = (text: string): string => text.replace(/^---\r?\n[\s\S]*?\r?\n---\r?\n?/u, '');

/** The names in a folder: those its index lists, in that order, then the rest. */
function orderedNames(folder: Folder): string[] {
  const names = [...new Set([...folder.files.keys(), ...folder.folders.keys()])];
  const listed = folder.front.order ?? [];
  const place = (name: string) => {
    const index = listed.indexOf(name);
    return index < 0 ? listed.length : index;
  };
  return names.sort((one, other) => place(one) - place(other) || one.localeCompare(other, 'en', { numeric: true }));
}

function takeDays(
  folder: Folder,
  pending: { day?: string; path: string; blocks: NodeJson[] }[],
  remarks: ImportRemark[],
): void {
  for (const [name, file] of folder.files) {
    if (!isDay(name)) {
      remarks.push({ path: file.path, what: 'A file in the journal that is not named by a date.' });
      continue;
    }
    const read = readMarkdown(file.text, (what) => remarks.push({ path: file.path, what }));
    pending.push({ day: name, path: file.path, blocks: withTags(read.blocks, read.front.tags) });
  }
}

/** A first heading that only repeats the title is left out. */
const withoutTitle = (blocks: NodeJson[], title: string): NodeJson[] =>
  blocks[0]?.attrs?.kind === 'heading' && ownWords(blocks[0]).trim() === title.trim() ? blocks.slice(1) : blocks;

/** Tags named in the head of a file stand in a line of their own at the end. */
function withTags(blocks: NodeJson[], tags: readonly string[] | undefined): NodeJson[] {
  if (!tags || tags.length === 0) return blocks;
  const inline = tags.flatMap((name, index) => [
    ...(index > 0 ? [{ type: 'text', text: ' ' }] : []),
    { type: 'tag', attrs: { name: name.replace(/^#/u, '') } },
  ]);
  return [...blocks, block('paragraph', inline)];
}

/** Knows what the files of an import are called and finds what a link means. */
class Resolver {
  private byPath = new Map<string, string>();
  private titles = new Map<string, string>();
  private byTitle = new Map<string, { id: string; path: string }[]>();

  readonly namedDays = new Set<string>();

  constructor(private dayIdOf: (day: string) => string) {}

  know(path: string, title: string, entry: PlannedEntry): void {
    this.byPath.set(path, entry.id);
    this.titles.set(entry.id, title);
    for (const name of [title, ...(entry.otherNames ?? [])]) {
      const key = foldWords(name).trim();
      this.byTitle.set(key, [...(this.byTitle.get(key) ?? []), { id: entry.id, path }]);
    }
  }

  /** The node with every reference in it turned into a link. */
  resolve(node: NodeJson, path: string, makeMissing: (title: string) => string, remarks: ImportRemark[]): NodeJson {
    if (node.type === 'pageLink') {
      const { reference, words } = node.attrs as { reference: LinkReference; words: string | null };
      const target = this.find(reference, path);
      const marks = node.marks && { marks: node.marks };
      if (target) {
        const own = ownWordsOfLink(words, target, (id) => this.titles.get(id) ?? '');
        return { type: 'pageLink', attrs: { target, words: own }, ...marks };
      }
      if (reference.form === 'wiki') {
        return { type: 'pageLink', attrs: { target: makeMissing(lastName(reference.name)), words }, ...marks };
      }
      remarks.push({ path, what: `The link to ${reference.name}, which is not among the files.` });
      return { type: 'text', text: words ?? reference.name, ...marks };
    }
    return node.content
      ? { ...node, content: node.content.map((child) => this.resolve(child, path, makeMissing, remarks)) }
      : node;
  }

  private find(reference: LinkReference, from: string): string | null {
    if (reference.form === 'block') return isId(reference.name) ? reference.name : null;
    if (reference.form === 'path') return this.findPath(reference.name, from);
    if (isDay(reference.name)) return this.day(reference.name);
    const candidates = this.byTitle.get(foldWords(lastName(reference.name)).trim()) ?? [];
    const within = reference.name.split('/').slice(0, -1).map(foldWords);
    const fitting = candidates.filter((each) => {
      const steps = each.path.split('/').map(foldWords);
      return within.every((step) => steps.includes(step));
    });
    return (fitting.find((each) => sharedSteps(each.path, from) > 0) ?? fitting[0])?.id ?? null;
  }

  private day(day: string): string {
    this.namedDays.add(day);
    return this.dayIdOf(day);
  }

  private findPath(name: string, from: string): string | null {
    const day = /(?:^|\/)(\d{4}-\d{2}-\d{2})\.(?:md|markdown)$/iu.exec(name);
    if (day && isDay(day[1])) return this.day(day[1]!);
    const steps = name.startsWith('/') ? [] : from.split('/').slice(0, -1);
    for (const step of name.split('/')) {
      if (step === '..') steps.pop();
      else if (step !== '.' && step !== '') steps.push(step);
    }
    return this.byPath.get(steps.join('/')) ?? null;
  }
}

const lastName = (name: string): string => name.split('#')[0]!.split('/').pop()!.trim() || name;

const sharedSteps = (one: string, other: string): number => (one.split('/')[0] === other.split('/')[0] ? 1 : 0);
