import { ownWords } from '../../document/text';
import { block } from '../../document/build';
import { isId, newId } from '../../document/ids';
import { MAX_BLOCKS, type BodyJson, type NodeJson } from '../../document/types';
import { MAX_OTHER_NAMES } from '../../outline/entry';
import type { SaidBeside } from '../../kinds/said';
import { withIds } from '../account/ids';
import type { EntryRest } from '../account/types';
import { isTagName } from '../../tags/path';
import { orderedNames, restOf, sortIntoFolders, takeDays, takeFiles, FOLDER_KEYS, type Folder } from './folders';
import { followed, isUnderstood } from './fields';
import { nameOf } from './paths';
import { withFiles, type FileAlong } from './filesAlong';
import type { FrontMatter } from './frontMatter';
import { besideHere, hasSameWords, type PageHere, type PresentChoice, type PresentPage } from './here';
import { readFile, type ReadFile } from './readFile';
import { Resolver, type NamedHere } from './resolver';
import type { ImportPlan, ImportRemark, LinkReference, MarkdownFile, PlannedDay, PlannedEntry } from './types';

/**
 * Turns a folder of Markdown files into a plan of what an import will make.
 *
 * A folder at the outermost level is a notebook, one further in a section; a folder that has a file of the same name
 * beside it holds the pages beneath that page. `index.md` in a folder speaks of the folder itself (pigment, ornament,
 * description, and the order of what it holds), and what else is written in it becomes a page; outside any folder it
 * gives the order of the notebooks. Files named by a date in a folder named Journal, or in folders there, are days.
 */

const NOT_RENAMED: ReadonlyMap<string, string> = new Map();

/** A page that is longer goes on in pages beneath it. */
const PAGE_BLOCKS = MAX_BLOCKS / 2;
/** A title that is longer is shortened, and stands whole on the page. */
const LONG_TITLE = 1_000;
const SHORT_TITLE = 160;

const PAGE_KEYS = [
  ...['id', 'title', 'begun', 'changed', 'leaves', 'aliases', 'season', 'binned', 'tags', 'kinds', 'fields'],
];
const DAY_KEYS = ['id', 'begun', 'changed', 'tags', 'kinds', 'fields'];

export interface PlanOptions {
  /** The id of a day's page, whether the import makes it or not. */
  dayIdOf: (day: string) => string;
  /** A name for the notebook that takes in files outside any folder. */
  looseNotebook: string;
  /** Whether an id is in use already; the entry then gets one of its own. */
  isTaken?: (id: string) => boolean;
  /** Whether an id is that of a notebook or a section of one's own: what stands in it comes to it. */
  isOwn?: (id: string) => boolean;
  /** The page of one's own that has an id; null when there is none. */
  pageHere?: (id: string) => PageHere | null;
  /**
   * What is done with what is here already with other words. Where nothing is said, a page of the same id that was
   * changed here since is left, and any other comes in beside what is here.
   */
  present?: PresentChoice;
  /** What of one's own stands in something, is called so, and is a page or is none; null when there is nothing such. */
  placed?: (parentId: string | null, isPage: boolean, title: string) => string | null;
  /** The page of one's own that links mean by a name that none of the files has. */
  namedHere?: NamedHere;
  /** Files that came along, by their paths. */
  fileAt?: (path: string) => FileAlong | null;
  /** What an export says of entries beside their files, by their ids. */
  rest?: ReadonlyMap<string, EntryRest>;
  /** What is named by another id here. It grows by what gets one. */
  renamed?: Map<string, string>;
}

/** What is done with what a file says: it is made, its page is left as it is here, or gets what the file says. */
type Done = 'made' | 'left' | 'renewed';

/** A page's or a day's own part of a plan, before its links lead anywhere. */
interface Source {
  file: ReadFile;
  keys: readonly string[];
  title: string | null;
  /** The title as the file says it, when it was too long to be one. */
  wholeTitle: string | null;
}

/** Plans an import piece by piece: what will be made first, then each body when it is asked for. */
export class Planning {
  /** Every parent before what it holds. It grows while bodies are asked for: by pages that links name, and by parts. */
  readonly entries: PlannedEntry[] = [];
  readonly days: { day: string; files: ReadFile[] }[] = [];
  readonly remarks: ImportRemark[] = [];
  /** How many pages were here already, and are left as they are. */
  left = 0;
  /** Pages that are here already with other words. */
  readonly present: PresentPage[] = [];
  /** Those of them that get what a file says. */
  readonly renewed: PlannedEntry[] = [];
  /** What was here already: what stands in it may be too. */
  private here = new Set<string>();
  private sources = new Map<string, Source>();
  private bodies = new Map<string, NodeJson[]>();
  private resolver: Resolver;
  private ids = new Set<string>();

  constructor(
    private files: readonly ReadFile[],
    private options: PlanOptions,
  ) {
    this.resolver = new Resolver(options.dayIdOf, options.namedHere);
  }

  /** Finds out what will be made of the files, piece by piece: to be gone through to its end before all else. */
  *arrange(): Generator<void> {
    const { files } = this;
    for (const { path, refusal, remarks } of files) {
      if (refusal) this.remarks.push({ path, what: refusal });
      for (const what of remarks) this.remarks.push({ path, what });
    }
    const read = files.filter(({ refusal }) => refusal === null);
    this.files = [];
    const root = yield* sortIntoFolders(read, this.options.looseNotebook);
    yield* this.takeOutside(root);
    for (const { day, file } of takeDays(root)) {
      yield;
      this.resolver.knowDay(file.path, day, this.headingsOf(file));
      const present = this.days.find((each) => each.day === day);
      if (present) present.files.push(file);
      else this.days.push({ day, files: [file] });
    }
    for (const name of orderedNames(root)) {
      const folder = root.folders.get(name);
      if (folder) yield* this.takeFolder(folder, this.takeHolder(folder, name, 'notebook', null).id, name);
    }
  }

  /** Pages of weeks and months, and jottings, as an export has them. */
  private *takeOutside(root: Folder): Generator<void> {
    const restOf = ({ front }: ReadFile) => this.options.rest?.get(this.idHere(front.id ?? ''));
    const periods = takeFiles(root, 'journal', (file) => restOf(file)?.period !== undefined);
    const jottings = takeFiles(root, 'tray', (file) => restOf(file)?.jotting !== undefined);
    for (const file of [...periods, ...jottings]) {
      yield;
      this.takePage(file, null);
    }
  }

  private headingsOf({ headings }: ReadFile): ReadFile['headings'] {
    return headings.map(([slug, id]) => [slug, this.idHere(id)]);
  }

  private idHere(id: string): string {
    return isId(id) ? (this.options.renamed?.get(id) ?? id) : id;
  }

  private say(path: string, what: string): void {
    this.remarks.push({ path, what });
  }

  private *takeFolder(folder: Folder, parentId: string, path: string): Generator<void> {
    if (folder.index) this.takeIndex(folder, folder.index, parentId);
    for (const name of orderedNames(folder)) {
      yield;
      const [file, ...others] = folder.files.get(name) ?? [];
      const inner = folder.folders.get(name);
      if (file) {
        const page = this.takePage(file, parentId);
        if (inner) yield* this.takePagesBeneath(inner, page.id);
        for (const other of others) this.takePage(other, parentId);
      } else if (inner) {
        yield* this.takeFolder(
          inner,
          this.takeHolder(inner, `${path}/${name}`, 'section', parentId).id,
          `${path}/${name}`,
        );
      }
    }
  }

  private *takePagesBeneath(folder: Folder, parentId: string): Generator<void> {
    if (folder.index) this.takeIndex(folder, folder.index, parentId);
    for (const name of orderedNames(folder)) {
      yield;
      const [file, ...others] = folder.files.get(name) ?? [];
      const page = file ? this.takePage(file, parentId) : this.addPage(name, parentId);
      const inner = folder.folders.get(name);
      if (inner) yield* this.takePagesBeneath(inner, page.id);
      for (const other of others) this.takePage(other, parentId);
    }
  }

  /** What an index says beside what it says of its folder is a page there, called like the folder. */
  private takeIndex(folder: Folder, file: ReadFile, parentId: string): void {
    const title = this.titleFor(file.front.title ?? folder.name);
    const entry = this.addPage(title.short, parentId);
    this.resolver.know(file.path, entry.name, entry, this.headingsOf(file));
    this.sources.set(entry.id, { file, keys: FOLDER_KEYS, title: entry.name, wholeTitle: title.whole });
  }

  private addPage(name: string, parentId: string): PlannedEntry {
    const entry: PlannedEntry = { id: newId(), kind: 'page', parentId, name };
    this.entries.push(entry);
    return entry;
  }

  private takePage(file: ReadFile, parentId: string | null): PlannedEntry {
    const { front } = file;
    const title = this.titleFor(front.title ?? nameOf(file.path));
    const placed = front.id === undefined ? this.placedHere(parentId, true, title.short) : null;
    const donePlaced = placed === null ? 'made' : this.pageDone(placed, file, title.short, 'title');
    const { id, wanted, done } =
      donePlaced === 'made'
        ? this.idFor(front.id, file.path, (own) => this.pageDone(own, file, title.short, 'id'))
        : this.idFor(placed!, file.path, () => donePlaced);
    const entry: PlannedEntry = { id, kind: 'page', parentId, name: title.short };
    if (front.begun) entry.begunAt = front.begun;
    if (front.changed) entry.changedAt = front.changed;
    if (front.leaves) entry.showsLeaves = true;
    const aliases = front.aliases ?? [];
    const areKept = aliases.length <= MAX_OTHER_NAMES;
    if (areKept && aliases.length > 0) entry.otherNames = aliases.map(plainName);
    this.takeState(entry, wanted, front);
    this.resolver.know(file.path, entry.name, entry, this.headingsOf(file));
    if (done === 'left') {
      this.left += 1;
      return entry;
    }
    (done === 'renewed' ? this.renewed : this.entries).push(entry);
    const left = [
      ...(areKept ? [] : ['aliases']),
      ...(isUnderstood(front.kinds ?? [], Object.keys(front.fields ?? {})) ? [] : ['fields']),
    ];
    const keys = PAGE_KEYS.filter((key) => !left.includes(key));
    this.sources.set(entry.id, { file, keys, title: entry.name, wholeTitle: title.whole });
    return entry;
  }

  private takeHolder(
    folder: Folder,
    path: string,
    kind: 'notebook' | 'section',
    parentId: string | null,
  ): PlannedEntry {
    const { front } = folder;
    const name = this.titleFor(front.title ?? folder.name).short;
    const isLeft = (own: string): Done => ((this.options.isOwn?.(own) ?? false) ? 'left' : 'made');
    const placed = front.id === undefined ? this.placedHere(parentId, false, name) : null;
    const { id, wanted, done } = this.idFor(placed ?? front.id, folder.name, isLeft);
    const entry: PlannedEntry = { id, kind, parentId, name };
    if (front.begun) entry.begunAt = front.begun;
    if (front.changed) entry.changedAt = front.changed;
    if (front.pigment) entry.pigment = front.pigment;
    if (front.ornament) entry.ornament = front.ornament;
    if (front.description) entry.description = plainName(front.description).slice(0, 2000);
    this.takeState(entry, wanted, front);
    this.resolver.knowHolder(path, name, entry);
    if (done === 'made') this.entries.push(entry);
    return entry;
  }

  /** What stands here already where something would be made that is called like it. */
  private placedHere(parentId: string | null, isPage: boolean, title: string): string | null {
    if (this.options.present === undefined || (parentId !== null && !this.here.has(parentId))) return null;
    const id = this.options.placed?.(parentId, isPage, title) ?? null;
    // Of several files of one title the first is what is here.
    return id !== null && this.ids.has(id) ? null : id;
  }

  /** The id a file says, unless something else has it: then another, by which whatever names it finds it. */
  private idFor(
    said: string | undefined,
    path: string,
    doneHere: (id: string) => Done,
  ): { id: string; wanted: string; done: Done } {
    const wanted = said === undefined ? newId() : this.idHere(said);
    const isTwice = this.ids.has(wanted);
    const done = !isTwice && said !== undefined ? doneHere(wanted) : 'made';
    if (done !== 'made') {
      this.ids.add(wanted);
      this.here.add(wanted);
      return { id: wanted, wanted, done };
    }
    if (!isTwice && !this.options.isTaken?.(wanted)) {
      this.ids.add(wanted);
      return { id: wanted, wanted, done };
    }
    // An export that comes to another account of the same server is under other ids whole.
    if (isTwice || !this.options.rest || this.options.pageHere?.(wanted)) {
      this.say(path, 'Its id is in use already; it came in under another.');
    }
    const id = newId();
    // What names it means the first that has it.
    if (!isTwice) this.options.renamed?.set(wanted, id);
    return { id, wanted, done };
  }

  /** What is done with a file whose page may be here: as it is, as it was changed since, or with other words. */
  private pageDone(id: string, file: ReadFile, title: string, by: PresentPage['by']): Done {
    const here = this.options.pageHere?.(id);
    if (!here) return 'made';
    const beside = by === 'id' ? besideHere(file, title, here) : hasSameWords(file, here) ? 'same' : 'other';
    if (beside === 'same') return 'left';
    this.present.push({ path: file.path, title: here.title, by });
    const { present } = this.options;
    if (present === 'renew') return 'renewed';
    if (present === 'both' || (present === undefined && beside === 'other')) return 'made';
    const since = beside === 'earlier' ? 'was changed here since' : 'has other words here';
    this.say(file.path, `The page ${since}; it was left as it is here.`);
    return 'left';
  }

  /** What an entry is in: a season, the bin, and what is said of it beside its file. */
  private takeState(entry: PlannedEntry, wanted: string, { season, binned }: FrontMatter): void {
    if (season && season !== 'now') entry.season = season;
    if (binned) entry.deletedAt = binned;
    const rest = this.options.rest?.get(wanted);
    if (rest) entry.rest = rest;
  }

  private titleFor(said: string): { short: string; whole: string | null } {
    const title = plainName(said);
    if (title.length <= LONG_TITLE) return { short: title, whole: null };
    const cut = Array.from(title.slice(0, SHORT_TITLE + 1))
      .slice(0, SHORT_TITLE)
      .join('')
      .trimEnd();
    return { short: `${cut}…`, whole: title };
  }

  /** The body of a planned page; null for what has none. To be asked for once, in the order of the entries. */
  bodyOf(entry: PlannedEntry): BodyJson | null {
    if (entry.kind !== 'page') return null;
    const given = this.bodies.get(entry.id);
    if (given) return doc(given);
    const source = this.sources.get(entry.id);
    if (!source) return entry.name === '' ? doc([]) : null;
    this.sources.delete(entry.id);
    entry.said = this.saidOf(source, entry.parentId);
    const blocks = this.blocksOf(source, entry.parentId);
    this.goOn(entry, blocks.splice(PAGE_BLOCKS));
    return doc(blocks);
  }

  /** What the head of a file says of kinds and fields, its links followed. */
  private saidOf({ file, keys }: Source, parentId: string | null): SaidBeside | undefined {
    const { kinds = [], fields = {} } = file.front;
    if (!keys.includes('kinds') || (kinds.length === 0 && Object.keys(fields).length === 0)) return undefined;
    const makeMissing = (name: string) => this.addMissing(plainName(name), parentId);
    const follow = (reference: LinkReference) => this.resolver.targetOf(reference, file.path, makeMissing);
    const said = keys.includes('fields') ? Object.entries(fields) : [];
    return {
      kinds: kinds.map((name) => this.idHere(name)),
      fields: said.map(([name, field]) => followed(this.idHere(name), field, follow)),
    };
  }

  /** What is too long for one page goes on in pages beneath it. */
  private goOn(entry: PlannedEntry, rest: NodeJson[]): void {
    if (rest.length === 0) return;
    this.say(entry.name, `More than ${PAGE_BLOCKS} lines; the page goes on in pages beneath it.`);
    for (let part = 2, from = 0; from < rest.length; part += 1, from += PAGE_BLOCKS) {
      const page = this.addPage(`${entry.name} (${part})`, entry.id);
      this.bodies.set(page.id, rest.slice(from, from + PAGE_BLOCKS));
    }
  }

  /** The lines of a day, of all files that write it. */
  dayBody({ day, files }: { day: string; files: readonly ReadFile[] }): BodyJson {
    const blocks = files.flatMap((file) =>
      this.blocksOf({ file, keys: DAY_KEYS, title: null, wholeTitle: null }, null),
    );
    const rest = blocks.splice(PAGE_BLOCKS);
    if (rest.length > 0) {
      // A day has no pages beneath it: what is too long for it stands in the notebook of what stands nowhere else.
      const page = this.addPage(`${day} (1)`, this.looseNotebook());
      this.bodies.set(page.id, []);
      this.goOn(page, rest);
    }
    return doc(blocks);
  }

  /** What a day is, and holds of fields. */
  daySaid({ files }: { files: readonly ReadFile[] }): SaidBeside | undefined {
    const [file] = files;
    return file && this.saidOf({ file, keys: DAY_KEYS, title: null, wholeTitle: null }, null);
  }

  /** Days that something links to and that no file writes; known once every body was asked for. */
  namedDays(): string[] {
    const written = new Set(this.days.map(({ day }) => day));
    return [...this.resolver.namedDays].filter((day) => !written.has(day));
  }

  private blocksOf({ file, keys, title, wholeTitle }: Source, parentId: string | null): NodeJson[] {
    const read = JSON.parse(withIds(file.blocks, this.options.renamed ?? NOT_RENAMED)) as NodeJson[];
    const blocks = withTags(
      // A file that says its id says its title too: a heading like it is one of the text.
      title === null || file.front.id !== undefined ? read : withoutTitle(read, title),
      keys.includes('tags') ? file.front.tags : [],
    );
    const makeMissing = (name: string) => this.addMissing(plainName(name), parentId);
    const missing = (address: string) =>
      this.say(file.path, `The file ${address.slice(0, 80)}, which is not among the files.`);
    const { fileAt = () => null } = this.options;
    const resolved = blocks
      .map((node) => this.resolver.resolve(node, file.path, makeMissing, this.remarks))
      .flatMap((node) => withFiles(node, file.path, fileAt, missing));
    const rest = restOf(file, keys);
    if (rest !== '') this.sayKept(file, keys);
    return [...(wholeTitle === null ? [] : [block('paragraph', wholeTitle)]), ...resolved, ...codesOf(rest)];
  }

  private sayKept({ path, front, raw }: ReadFile, keys: readonly string[]): void {
    for (const [key] of raw) {
      // What was not understood is said already.
      if (key !== '' && !keys.includes(key) && front[key as keyof FrontMatter] !== undefined) {
        this.say(path, `“${key}” in the head of the file.`);
      }
    }
  }

  /** A page that is linked and that no file writes: beside the page that links it. */
  private addMissing(title: string, parentId: string | null): string {
    const holder = parentId ?? this.entries.find((each) => each.kind === 'notebook')?.id ?? this.looseNotebook();
    const entry = this.addPage(title, holder);
    this.resolver.know(`${title}.md`, title, entry);
    return entry.id;
  }

  private looseNotebook(): string {
    const entry: PlannedEntry = { id: newId(), kind: 'notebook', parentId: null, name: this.options.looseNotebook };
    this.entries.push(entry);
    return entry.id;
  }
}

/** Plans an import whole. */
export function planImport(files: readonly MarkdownFile[], options: PlanOptions): ImportPlan {
  const planning = new Planning(files.map(readFile), options);
  for (const _piece of planning.arrange());
  for (const entry of planning.entries) {
    const body = planning.bodyOf(entry);
    if (body) entry.body = body;
  }
  const days = planning.days.map((day): PlannedDay => ({ day: day.day, body: planning.dayBody(day) }));
  // Days may name pages that nobody has written.
  for (const entry of planning.entries) entry.body ??= planning.bodyOf(entry) ?? undefined;
  return { entries: planning.entries, days, namedDays: planning.namedDays(), remarks: planning.remarks };
}

/** A name is one line without signs that are no text. */
const plainName = (name: string): string => name.replace(/\p{Cc}+/gu, ' ').trim();

const doc = (blocks: NodeJson[]): BodyJson => ({
  type: 'doc',
  content: blocks.length > 0 ? blocks : [block('paragraph')],
});

const codesOf = (text: string): NodeJson[] =>
  (text.replaceAll('\u0000', '').match(/[^]{1,50000}/gu) ?? []).map((piece) => ({
    type: 'codeBlock',
    attrs: { id: newId(), depth: 0, tint: null, language: 'yaml' },
    content: [{ type: 'text', text: piece }],
  }));

/** A first heading that only repeats the title is left out. */
const withoutTitle = (blocks: NodeJson[], title: string): NodeJson[] =>
  blocks[0]?.attrs?.kind === 'heading' && ownWords(blocks[0]).trim() === title.trim() ? blocks.slice(1) : blocks;

/** Tags named in the head of a file are the page’s own, and stand in a line beneath its title. */
function withTags(blocks: NodeJson[], tags: readonly string[] | undefined): NodeJson[] {
  const names = tags?.filter(isTagName) ?? [];
  if (names.length === 0) return blocks;
  const inline = names.flatMap((name, index) => [
    ...(index > 0 ? [{ type: 'text', text: ' ' }] : []),
    { type: 'tag', attrs: { name: name.replace(/^#/u, '') } },
  ]);
  return [block('paragraph', inline), ...blocks];
}
