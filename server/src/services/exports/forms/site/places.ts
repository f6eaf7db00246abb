import type { Placed } from '@glossarion/core/formats/account';
import {
  SITE_INDEX,
  writeContents,
  type ContentsLine,
  type FoundPage,
  type Frame,
  type SitePlace,
} from '@glossarion/core/formats/site';
import { dateShort } from '@glossarion/core/journal';
import type { Pigment } from '@glossarion/core/outline';
import type { EntryReader } from '../../../entries';
import { toPlace, type ExportedEntry } from '../../entries';
import { frontOf, listed } from '../../front';
import { pagesAmong, titlesOf, type Outgoing } from '../../outgoing';

/** Contents of more than so many are listed a level at a time. */
const WHOLE_CONTENTS = 1_500;

/** Where everything stands in a site, and what leads on from there. */
export class SitePlaces {
  readonly titles: ReadonlyMap<string, string>;
  private lists: Map<string, ExportedEntry[]>;
  private byId: ReadonlyMap<string, ExportedEntry>;
  private roots: ReadonlySet<string>;
  /** The pages in the order of the contents, to be turned. */
  private order: ExportedEntry[];
  private turn: ReadonlyMap<string, number>;

  constructor(
    private outgoing: Outgoing,
    readonly placed: ReadonlyMap<string, Placed>,
    private reader: EntryReader,
  ) {
    const { entries } = outgoing;
    this.titles = titlesOf(outgoing);
    this.lists = listed(outgoing);
    this.byId = new Map(entries.map((entry) => [entry.id, entry]));
    this.roots = outgoing.roots;
    this.order = pagesAmong(outgoing);
    this.turn = new Map(this.order.map(({ id }, index) => [id, index]));
  }

  titleOf(id: string): string {
    return this.titles.get(id) ?? this.reader.title(id);
  }

  private placeOf({ id }: ExportedEntry): SitePlace {
    return { title: this.titles.get(id) || 'Nameless page', path: this.placed.get(id)!.path };
  }

  frameOf(entry: ExportedEntry): Frame {
    const trail: SitePlace[] = [];
    let pigment: Pigment | null = entry.pigment;
    for (let above = this.above(entry); above; above = this.above(above)) {
      trail.unshift(this.placeOf(above));
      pigment ??= above.pigment;
    }
    const outside = toPlace(entry, this.roots.has(entry.id)).outside;
    if (trail.length === 0 && outside) trail.push({ title: outside, path: `${outside}/${SITE_INDEX}` });
    return { ...this.placeOf(entry), ...this.common(), trail, pigment };
  }

  private common(): Pick<Frame, 'siteTitle' | 'language'> {
    return { siteTitle: this.outgoing.title, language: 'en' };
  }

  private above(entry: ExportedEntry): ExportedEntry | undefined {
    return this.roots.has(entry.id) ? undefined : this.byId.get(entry.parentId ?? '');
  }

  /** The pages before and after one, as the contents have them. */
  beside(id: string): { before: SitePlace | null; after: SitePlace | null } {
    const index = this.turn.get(id)!;
    const place = (entry: ExportedEntry | undefined) => (entry ? this.placeOf(entry) : null);
    return { before: place(this.order[index - 1]), after: place(this.order[index + 1]) };
  }

  linesBeneath(id: string, isWhole = false): ContentsLine[] {
    return (this.lists.get(id) ?? []).map((entry) => this.lineOf(entry, isWhole));
  }

  /** The names of the files of what stands in one, in their order. */
  private namesIn(id: string): string[] {
    return (this.lists.get(id) ?? []).map((entry) => this.placed.get(entry.id)!.name);
  }

  private lineOf(entry: ExportedEntry, isWhole: boolean): ContentsLine {
    const isPage = entry.kind === 'page';
    return {
      ...this.placeOf(entry),
      isPage,
      pigment: entry.pigment,
      ...(isPage && { at: dateShort(entry.changedAt.slice(0, 10)) }),
      ...(isWhole && { beneath: this.linesBeneath(entry.id, true) }),
    };
  }

  /** How many stand in one, but no more than are counted. */
  private countBeneath(id: string, most: number): number {
    let count = 0;
    for (const entry of this.lists.get(id) ?? []) {
      count += 1 + (count < most ? this.countBeneath(entry.id, most - count) : 0);
      if (count >= most) break;
    }
    return count;
  }

  private contentsOf(id: string): ContentsLine[] {
    return this.linesBeneath(id, this.countBeneath(id, WHOLE_CONTENTS) < WHOLE_CONTENTS);
  }

  /** Notebooks and sections, as they are found. */
  holders(): FoundPage[] {
    return this.outgoing.entries
      .filter(({ kind }) => kind !== 'page')
      .map((entry): FoundPage => {
        const { path, title, trail } = this.frameOf(entry);
        const lines: FoundPage[3] = entry.description ? [['', entry.description]] : [];
        return [path, title, trail.map((each) => each.title).join(' / '), lines];
      });
  }

  /** The files of what is no page, by their paths: the front, notebooks, sections, the journal, the Tray. */
  *indexes(): Generator<[path: string, text: string]> {
    const { entries, title } = this.outgoing;
    const outside = new Map<string, ContentsLine[]>();
    for (const entry of entries) {
      const { outside: folder } = toPlace(entry, this.roots.has(entry.id));
      if (!folder || entry.kind !== 'page' || this.roots.has(entry.id)) continue;
      const line = { ...this.placeOf(entry), isPage: true };
      const lines = outside.get(folder);
      if (lines) lines.push(line);
      else outside.set(folder, [line]);
    }
    const folders = [...outside].map(([name, lines]): ContentsLine => {
      const count = `${lines.length} ${lines.length === 1 ? 'page' : 'pages'}`;
      return { title: name, path: `${name}/${SITE_INDEX}`, isPage: false, at: count };
    });
    const frame = (name: string, path: string): Frame => ({
      ...this.common(),
      title: name,
      path,
      trail: [],
      pigment: null,
    });
    const note = `Taken out of Glossarion on ${new Date().toISOString().slice(0, 10)}.`;
    yield [SITE_INDEX, writeContents(frame(title, SITE_INDEX), '', [...this.contentsOf(''), ...folders], note)];
    for (const [name, lines] of outside) {
      const path = `${name}/${SITE_INDEX}`;
      yield [path, writeContents(frame(name, path), '', lines.reverse())];
    }
    for (const entry of entries) {
      if (entry.kind === 'page') continue;
      const own = { ...this.frameOf(entry), front: frontOf(entry, undefined, this.namesIn(entry.id)) };
      yield [own.path, writeContents(own, entry.description, this.contentsOf(entry.id))];
    }
  }
}
