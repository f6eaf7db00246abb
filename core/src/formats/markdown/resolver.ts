import { isId } from '../../document/ids';
import type { NodeJson } from '../../document/types';
import { foldWords } from '../../words/words';
import { isDay } from '../../calendar';
import { dayTitleWithYear } from '../../journal/day';
import { ENDING, nameOf, pathFrom } from './paths';
import type { ReadFile } from './readFile';
import { ownWordsOfLink } from './resolve';
import { slugOf } from './slug';
import type { ImportRemark, LinkReference, PlannedEntry } from './types';

/** Where a file is known to be: a page, or a day. */
type KnownPage = Pick<PlannedEntry, 'id' | 'otherNames'>;

/** What is here under a name that no file has; null when there is nothing, or more than one. */
export type NamedHere = (name: string) => { id: string; title: string } | null;

/** Knows what the files of an import are called and finds what a link means. */
export class Resolver {
  private byPath = new Map<string, string>();
  private titles = new Map<string, string>();
  private byTitle = new Map<string, { id: string; path: string }[]>();
  /** Pages by what their files are called, which names mean that are no page's. */
  private byFileName = new Map<string, { id: string; path: string }[]>();
  /** Notebooks and sections, which names mean that no page has. */
  private holders = new Map<string, { id: string; path: string }[]>();
  private headings = new Map<string, ReadFile['headings']>();

  /** By their paths as far as they tell files apart; null for several. Made when it is first needed: all files are known then. */
  private byLikeness: Map<string, string | null> | null = null;

  readonly namedDays = new Set<string>();

  constructor(
    private dayIdOf: (day: string) => string,
    private namedHere: NamedHere = () => null,
  ) {}

  know(path: string, title: string, entry: KnownPage, headings: ReadFile['headings'] = []): void {
    this.byPath.set(path, entry.id);
    this.titles.set(entry.id, title);
    this.headings.set(entry.id, [...(this.headings.get(entry.id) ?? []), ...headings]);
    for (const name of [title, ...(entry.otherNames ?? [])]) add(this.byTitle, name, { id: entry.id, path });
    add(this.byFileName, nameOf(path), { id: entry.id, path });
  }

  /** A notebook or a section: links lead to its folder's index, or name it. */
  knowHolder(folder: string, title: string, entry: Pick<PlannedEntry, 'id'>): void {
    const path = `${folder}/index.md`;
    if (!this.byPath.has(path)) this.byPath.set(path, entry.id);
    this.titles.set(entry.id, title);
    add(this.holders, title, { id: entry.id, path });
  }

  /** A day that a file writes: links lead to it, and to its headings. */
  knowDay(path: string, day: string, headings: ReadFile['headings']): void {
    const id = this.dayIdOf(day);
    this.byPath.set(path, id);
    this.titles.set(id, dayTitleWithYear(day));
    this.headings.set(id, [...(this.headings.get(id) ?? []), ...headings]);
  }

  /** The node with every reference in it turned into a link. */
  resolve(node: NodeJson, path: string, makeMissing: (title: string) => string, remarks: ImportRemark[]): NodeJson {
    if (node.type === 'pageLink') {
      const { reference, words = null } = node.attrs as { reference?: LinkReference; words?: string | null };
      // A page that says its blocks says what they lead to.
      if (!reference) return node;
      const { target: written } = reference;
      const found = this.find(reference, path) ?? (written ? { target: written, isWhole: true } : null);
      const marks = node.marks && { marks: node.marks };
      // What is said of a heading that is not there stays to be read: `[[Race#Old repair]]`.
      const said = words ?? (reference.name.includes('#') ? reference.name : null);
      if (found) {
        const { target, isWhole } = found;
        if (isWhole || reference.form === 'wiki') {
          const own = ownWordsOfLink(isWhole ? words : said, target, (id) => this.titles.get(id) ?? '');
          return { type: 'pageLink', attrs: { target, words: own }, ...marks };
        }
        remarks.push({ path, what: `The heading of the link to ${reference.name}, which is not there.` });
        return { type: 'pageLink', attrs: { target, words }, ...marks };
      }
      if (reference.form === 'wiki') {
        return { type: 'pageLink', attrs: { target: makeMissing(lastName(reference.name)), words: said }, ...marks };
      }
      remarks.push({ path, what: `The link to ${reference.name}, which is not among the files.` });
      const address = reference.form === 'path' && words !== null ? ` (${reference.name})` : '';
      return { type: 'text', text: `${words ?? reference.name}${address}`, ...marks };
    }
    return node.content
      ? { ...node, content: node.content.map((child) => this.resolve(child, path, makeMissing, remarks)) }
      : node;
  }

  /** What a link that stands beside a text leads to: a page that no file writes is made; null when it leads nowhere. */
  targetOf(reference: LinkReference, path: string, makeMissing: (title: string) => string): string | null {
    const found = this.find(reference, path);
    if (found) return found.target;
    return reference.form === 'wiki' ? makeMissing(lastName(reference.name)) : null;
  }

  /** What a link means; not `isWhole` when its page is there and its heading is not. */
  private find(reference: LinkReference, from: string): { target: string; isWhole: boolean } | null {
    if (reference.form === 'block') {
      return isId(reference.name) ? { target: reference.name.toLowerCase(), isWhole: true } : null;
    }
    const [name, ...anchor] = reference.name.split('#');
    const heading = anchor.join('#');
    const page = reference.form === 'path' ? this.findPath(name!, from) : this.findTitle(name!, from);
    if (!page) return null;
    // A line may be named by its id, on whatever page it is now.
    const target = heading === '' ? page : isId(heading) ? heading.toLowerCase() : this.heading(page, heading);
    return { target: target ?? page, isWhole: target !== null };
  }

  private heading(page: string, name: string): string | null {
    const slug = slugOf(name);
    return this.headings.get(page)?.find(([each]) => each === name || each === slug)?.[1] ?? null;
  }

  private findTitle(name: string, from: string): string | null {
    // A hash alone leads to a heading of the page itself.
    if (name.trim() === '') return this.byPath.get(from) ?? null;
    if (isDay(name)) return this.day(name);
    const key = foldWords(lastName(name)).trim();
    const candidates = this.byTitle.get(key) ?? this.byFileName.get(key) ?? this.holders.get(key) ?? [];
    const within = name.split('/').slice(0, -1).map(foldWords);
    const fitting = candidates.filter((each) => {
      const steps = each.path.split('/').map(foldWords);
      return within.every((step) => steps.includes(step));
    });
    const found = fitting.find((each) => sharedSteps(each.path, from) > 0) ?? fitting[0];
    return found?.id ?? this.here(lastName(name));
  }

  /** A file that is not among the others may have come in before them, or be written here. */
  private here(name: string): string | null {
    const found = this.namedHere(name);
    if (found) this.titles.set(found.id, found.title);
    return found?.id ?? null;
  }

  /** The one file whose path differs only in how it is written: in capitals, accents put together, or without its ending. */
  private alike(path: string): string | null {
    if (!this.byLikeness) {
      this.byLikeness = new Map();
      for (const [each, id] of this.byPath) {
        for (const key of new Set([likeness(each), likeness(each.replace(ENDING, ''))])) {
          // What may be one file or another is neither.
          const other = this.byLikeness.get(key);
          this.byLikeness.set(key, other === undefined || other === id ? id : null);
        }
      }
    }
    return this.byLikeness.get(likeness(path)) ?? null;
  }

  private day(day: string): string {
    this.namedDays.add(day);
    const id = this.dayIdOf(day);
    this.titles.set(id, dayTitleWithYear(day));
    return id;
  }

  private findPath(name: string, from: string): string | null {
    if (name === '') return this.byPath.get(from) ?? null;
    const path = pathFrom(from, name);
    const known = this.byPath.get(path) ?? this.byPath.get(`${path}/index.md`) ?? this.alike(path);
    if (known) return known;
    const day = nameOf(name);
    if (ENDING.test(name) && isDay(day)) return this.day(day);
    // What was written as one kind of file may be another now.
    return ENDING.test(path) ? (this.alike(path.replace(ENDING, '')) ?? this.here(nameOf(path))) : null;
  }
}

type Named = Map<string, { id: string; path: string }[]>;

function add(names: Named, name: string, place: { id: string; path: string }): void {
  const key = foldWords(name).trim();
  const present = names.get(key);
  if (present) present.push(place);
  else names.set(key, [place]);
}

const likeness = (path: string): string => path.normalize('NFC').toLowerCase();

const lastName = (name: string): string => name.split('#')[0]!.split('/').pop()!.trim() || name;

const sharedSteps = (one: string, other: string): number => (one.split('/')[0] === other.split('/')[0] ? 1 : 0);
