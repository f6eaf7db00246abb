import { isId } from '../../document/ids';
import type { NodeJson } from '../../document/types';
import { foldWords } from '../../words/words';
import { isDay } from '../../calendar';
import type { ReadFile } from './readFile';
import { ownWordsOfLink } from './resolve';
import { slugOf } from './slug';
import type { ImportRemark, LinkReference, PlannedEntry } from './types';

/** Where a file is known to be: a page, or a day. */
type KnownPage = Pick<PlannedEntry, 'id' | 'otherNames'>;

/** Knows what the files of an import are called and finds what a link means. */
export class Resolver {
  private byPath = new Map<string, string>();
  private titles = new Map<string, string>();
  private byTitle = new Map<string, { id: string; path: string }[]>();
  private headings = new Map<string, ReadFile['headings']>();

  readonly namedDays = new Set<string>();

  constructor(private dayIdOf: (day: string) => string) {}

  know(path: string, title: string, entry: KnownPage, headings: ReadFile['headings'] = []): void {
    this.byPath.set(path, entry.id);
    this.titles.set(entry.id, title);
    this.headings.set(entry.id, [...(this.headings.get(entry.id) ?? []), ...headings]);
    for (const name of [title, ...(entry.otherNames ?? [])]) {
      const key = foldWords(name).trim();
      this.byTitle.set(key, [...(this.byTitle.get(key) ?? []), { id: entry.id, path }]);
    }
  }

  /** A day that a file writes: links lead to it, and to its headings. */
  knowDay(path: string, day: string, headings: ReadFile['headings']): void {
    const id = this.dayIdOf(day);
    this.byPath.set(path, id);
    this.headings.set(id, [...(this.headings.get(id) ?? []), ...headings]);
  }

  /** The node with every reference in it turned into a link. */
  resolve(node: NodeJson, path: string, makeMissing: (title: string) => string, remarks: ImportRemark[]): NodeJson {
    if (node.type === 'pageLink') {
      const { reference, words = null } = node.attrs as { reference: LinkReference; words?: string | null };
      const found = this.find(reference, path);
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
    const target = heading === '' ? page : this.heading(page, heading);
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
    const candidates = this.byTitle.get(foldWords(lastName(name)).trim()) ?? [];
    const within = name.split('/').slice(0, -1).map(foldWords);
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
    if (name === '') return this.byPath.get(from) ?? null;
    const steps = name.startsWith('/') ? [] : from.split('/').slice(0, -1);
    for (const step of name.split('/')) {
      if (step === '..') steps.pop();
      else if (step !== '.' && step !== '') steps.push(step);
    }
    const known = this.byPath.get(steps.join('/'));
    if (known) return known;
    const day = /(?:^|\/)(\d{4}-\d{2}-\d{2})\.(?:md|markdown)$/iu.exec(name);
    return day && isDay(day[1]) ? this.day(day[1]!) : null;
  }
}

const lastName = (name: string): string => name.split('#')[0]!.split('/').pop()!.trim() || name;

const sharedSteps = (one: string, other: string): number => (one.split('/')[0] === other.split('/')[0] ? 1 : 0);
