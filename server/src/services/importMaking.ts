import type { EntityManager } from 'typeorm';
import type { Act } from '@glossarion/core/acts';
import {
  block,
  checkBeside,
  checkBody,
  emptyBody,
  namedId,
  newId,
  NOTHING_BESIDE,
  ownWords,
  repairBody,
  ShapeError,
  withBeside,
  type Beside,
  type BodyJson,
  type NodeJson,
} from '@glossarion/core/document';
import type { FrontMatter, ImportReport, PlannedEntry, Planning } from '@glossarion/core/formats/markdown';
import { besideOfSaid, type Field, type Kind, type KindTree, type SaidBeside } from '@glossarion/core/kinds';
import { dayId } from '@glossarion/core/journal';
import { ordersAfter } from '@glossarion/core/outline';
import { accountOf, addEntry, isOfImport, ownKinds, putField, putKind, storedKindIds, type Viewer } from '../access';
import type { Database } from '../database/database';
import { prepared } from '../sqlite/prepared';
import type { AccountFile } from '@glossarion/core/formats/account';
import { DayBeginningEntity, EntryEntity } from '../entities';
import { HELD_ELSEWHERE } from '../entities/block.queries';
import { ADD_DOCUMENT } from '../entities/document.queries';
import { LAST_KEY } from '../entities/entry.queries';
import { Problem } from '../problem';
import { adjustBeneath, weightOf, type Weight } from './beneath';
import { dayBeginning } from './dayBeginnings';
import type { Accepted, Documents } from './documents';
import type { FactWriter } from './facts';
import type { Kinds } from './kinds';
import { takeRest } from './importRest';
import { writeOtherNames } from './otherNames';
import type { Tags } from './tags';

/** Blocks that are checked in one piece. */
const CHECKED_AT_ONCE = 200;

const WEIGHTLESS = { pagesBeneath: 0, sectionsBeneath: 0 };

/** What is made within a piece, and the transaction that it is made in. */
type Pieces<T> = AsyncGenerator<void, T, EntityManager>;

/**
 * Makes what an import has planned, in pieces: each yield ends one, and is answered with the transaction of the next.
 * Nobody sees any of it before `finish`.
 */
export class ImportMaking {
  readonly report: ImportReport;
  /** How many days were made, each of which may be gone before the next piece: it makes way for what somebody writes. */
  daysMade = 0;
  /** The kinds of the account with those that this makes, which are stored with the last piece. */
  private kinds: KindTree | null = null;
  private made = { kinds: new Map<string, Kind>(), fields: new Map<string, Field>() };
  private orders = new Map<string | null, string | null>();
  private weights = new Map<string | null, Weight>();
  private begun = new Date().toISOString();
  /** Lines that came in on days, by the days' pages. */
  private dayLines = new Map<string, string[]>();
  /** What pages that are here get, by their ids. */
  private renewed = new Map<string, BodyJson>();
  /** What gives them back what they had. */
  private givingBack: Act[] = [];

  constructor(
    private database: Database,
    private documents: Documents,
    private facts: FactWriter,
    private tags: Tags,
    private accountKinds: Kinds,
    private viewer: Viewer,
    private importId: string,
    private planning: Planning,
    private rest: AccountFile | null,
    private renamed: Map<string, string>,
    private onMade: (entries: number) => void,
  ) {
    const { remarks } = planning;
    this.report = { notebooks: 0, sections: 0, pages: 0, days: 0, links: 0, left: planning.left, renewed: 0, remarks };
  }

  async *pieces(): Pieces<Map<string, BodyJson>> {
    if (this.rest) yield* this.takeTagsAndKinds(this.rest);
    let made = 0;
    made = yield* this.makeEntries(made);
    const dayBodies = new Map<string, BodyJson>();
    for (const day of this.planning.days) {
      const body = yield* this.fitting(day.day, this.planning.dayBody(day), dayId(this.viewer.accountId, day.day));
      const said = withBeside(body, yield* this.beside(this.planning.daySaid(day)));
      dayBodies.set(day.day, said);
      yield* this.makeDay(day.day, said, day.files[0]?.front);
    }
    for (const entry of this.planning.renewed) {
      const body = yield* this.fitting(entry.name, this.planning.bodyOf(entry) ?? emptyBody(newId()), entry.id);
      this.renewed.set(entry.id, withBeside(body, yield* this.beside(entry.said)));
    }
    // The list grows while it is gone through: by pages that links name, and by parts of long ones.
    yield* this.makeEntries(made);
    return dayBodies;
  }

  /** Tags, kinds and fields come before the pages that wear them, and are of them. */
  private async *takeTagsAndKinds({ tags, kinds, fields }: AccountFile): Pieces<void> {
    const renamed = yield* this.tags.takeIn(this.viewer, tags, this.importId);
    const manager = yield;
    renamed.forEach((id, before) => this.renamed.set(before, id));
    const present = (this.kinds ??= await ownKinds(manager, this.viewer));
    const known = new Set([...present.everything().kinds, ...present.everything().fields].map(({ id }) => id));
    const stored = await storedKindIds(manager, this.viewer);
    // What everybody begins with is there already: it becomes what it was made, where nobody has changed it here.
    const isNew = (each: Kind | Field) => {
      const here = present.get(each.id) ?? present.field(each.id);
      return !stored.has(each.id) && JSON.stringify(here) !== JSON.stringify(each);
    };
    for (const kind of kinds.filter(isNew)) {
      const isNamed = !known.has(kind.id) && present.named(kind.name) !== undefined;
      if (!isNamed || kind.isDeleted) this.made.kinds.set(kind.id, kind);
    }
    for (const field of fields.filter(isNew)) {
      if (known.has(field.id) || this.made.kinds.has(field.kindId)) this.made.fields.set(field.id, field);
    }
    this.kinds = present.with({ kinds: [...this.made.kinds.values()], fields: [...this.made.fields.values()] });
  }

  private async *makeEntries(from: number): Pieces<number> {
    const { entries } = this.planning;
    let index = from;
    for (; index < entries.length; index += 1) {
      const entry = entries[index]!;
      yield;
      const row = this.place(entry);
      if (entry.kind === 'page') {
        const planned = this.planning.bodyOf(entry);
        const body = planned ? yield* this.fitting(entry.name, planned) : emptyBody(namedId(entry.id, 'first'));
        yield* this.makePage(entry, row, withBeside(body, yield* this.beside(entry.said)));
        this.report.pages += 1;
      } else {
        this.facts.writeName({ id: entry.id, row }, entry.name);
        this.report[entry.kind === 'notebook' ? 'notebooks' : 'sections'] += 1;
      }
      this.onMade(index);
    }
    return index;
  }

  /** Makes the row of an entry after those that were made before it in the same place; gives its number. */
  private place(entry: PlannedEntry): number {
    const { parentId, kind } = entry;
    const { writer } = this.database;
    if (accountOf(writer, entry.id) !== undefined) {
      throw new Problem(409, 'The same came in from elsewhere meanwhile. Nothing was taken in; try again.');
    }
    const before = this.orders.has(parentId) ? this.orders.get(parentId)! : this.lastKey(parentId);
    const [orderKey] = ordersAfter(before, 1);
    this.orders.set(parentId, orderKey!);
    const begunAt = entry.begunAt ?? this.begun;
    const { pages, sections } = weightOf({ kind, ...WEIGHTLESS });
    const held = this.weights.get(parentId) ?? { pages: 0, sections: 0 };
    if (!entry.deletedAt) {
      this.weights.set(parentId, { pages: held.pages + pages, sections: held.sections + sections });
    }
    return addEntry(writer, this.viewer, {
      id: entry.id,
      kind,
      parentId,
      orderKey: orderKey!,
      name: entry.name,
      pigment: kind === 'notebook' ? (entry.pigment ?? 'lapis') : null,
      ornament: entry.ornament ?? null,
      description: entry.description ?? '',
      begunAt,
      changedAt: entry.changedAt ?? begunAt,
      season: entry.season ?? null,
      showsLeaves: entry.showsLeaves ? 1 : 0,
      importId: this.importId,
      period: entry.rest?.period ?? null,
      jotting: entry.rest?.jotting ?? null,
      comesBack: entry.rest?.comesBack ?? null,
    });
  }

  private lastKey(parentId: string | null): string | null {
    const connection = this.database.writing(this.viewer);
    return connection.first<{ orderKey: string | null }>(LAST_KEY, { parentId })!.orderKey;
  }

  /** What a page is, and holds of fields: kinds and fields are found by their names, or made. */
  private async *beside(said: SaidBeside | undefined): Pieces<Beside> {
    if (!said) return NOTHING_BESIDE;
    this.kinds ??= await ownKinds(yield, this.viewer);
    const { beside, made } = besideOfSaid(this.kinds, said, newId);
    if (made.kinds.length + made.fields.length > 0) {
      for (const kind of made.kinds) this.made.kinds.set(kind.id, kind);
      for (const field of made.fields) this.made.fields.set(field.id, field);
      this.kinds = this.kinds.with(made);
    }
    return checkBeside(beside);
  }

  /** Writes a page's body, names and facts. */
  private async *makePage(entry: PlannedEntry, row: number, typed: BodyJson): Pieces<void> {
    const { id, name, otherNames = [] } = entry;
    const body = await this.tags.named(yield, this.viewer, typed, this.importId);
    prepared(this.database.writer, ADD_DOCUMENT).run(id, 'page', JSON.stringify(body));
    if (otherNames.length > 0) {
      await writeOtherNames(yield, id, otherNames);
      for (const other of otherNames) this.facts.noteName(id, other);
    }
    const writing = this.facts.writing({ id, holder: 'page', row, indexed: null }, name, body, null);
    let step = writing.next();
    while (!step.done) {
      yield;
      step = writing.next();
    }
    this.report.links += step.value.links.length;
  }

  /** Makes a day that is not there yet, and that no window shows. */
  private async *makeDay(day: string, body: BodyJson, { begun, changed }: FrontMatter = {}): Pieces<void> {
    const manager = yield;
    const id = dayId(this.viewer.accountId, day);
    if (accountOf(this.database.writer, id) !== undefined || (await isBegun(manager, id))) return;
    this.daysMade += 1;
    const at = begun ?? `${day}T20:00:00.000Z`;
    const { links } = await this.documents.makeDay(
      manager,
      this.viewer,
      id,
      day,
      body,
      at,
      this.importId,
      changed ?? at,
    );
    this.report.links += links.length;
  }

  /** The body in its canonical form, without ids that others have; the plain words of what does not fit that form. */
  private async *fitting(path: string, { content }: BodyJson, documentId = ''): Pieces<BodyJson> {
    const checked: NodeJson[] = [];
    for (let from = 0; from < content.length; from += CHECKED_AT_ONCE) {
      const piece = content.slice(from, from + CHECKED_AT_ONCE);
      try {
        checked.push(...checkBody({ type: 'doc', content: piece }).content);
      } catch (error) {
        if (!(error instanceof ShapeError)) throw error;
        this.report.remarks.push({ path, what: `${error.message} Its words were kept without their form.` });
        const lines = piece.flatMap((node) => ownWords(node).match(/[^\n]{1,20000}/gu) ?? []);
        checked.push(...checkBody({ type: 'doc', content: lines.map((line) => block('paragraph', line)) }).content);
      }
      yield;
    }
    const connection = this.database.writing(this.viewer);
    const isTaken = (id: string) => connection.first(HELD_ELSEWHERE, { id, documentId }) !== undefined;
    return repairBody({ type: 'doc', content: checked }, isTaken).body;
  }

  /**
   * The last piece: days that were there, or came meanwhile, get the lines that they lack, all is counted in what it
   * stands in, and the days that links name are made. Gives what was changed of documents that others may have open.
   */
  async finish(manager: EntityManager, dayBodies: ReadonlyMap<string, BodyJson>): Promise<Accepted[]> {
    const { database, viewer, report, importId } = this;
    const accepted: Accepted[] = [];
    const madeDays: string[] = [];
    for (const [day, body] of dayBodies) {
      const id = dayId(viewer.accountId, day);
      const isOpened = await isBegun(manager, id);
      if (!isOpened && (await isOfImport(manager, id, importId))) {
        report.days += 1;
        madeDays.push(id);
        this.dayLines.set(id, body.content.map(idOf));
        continue;
      }
      // A window that shows how the day begins goes on from there.
      if (isOpened) await this.makeDayAsBegun(manager, id, day);
      const present = this.documents.bodyWithin(viewer, id);
      const words = new Set(present.content.map(ownWords));
      const ids = new Set(present.content.map(idOf));
      const lacking = body.content.filter((node) => !ids.has(idOf(node)) && !words.has(ownWords(node)));
      const path = `${day}.md`;
      const linesHere = new Map(present.content.map((node) => [idOf(node), wordsOfLine(node)]));
      const isOther = (node: NodeJson) => linesHere.has(idOf(node)) && linesHere.get(idOf(node)) !== wordsOfLine(node);
      if (body.content.some(isOther)) {
        report.remarks.push({
          path,
          what: 'The day has lines that were changed since; they were left as they are here.',
        });
      }
      if (lacking.length === 0) {
        if (ids.has(idOf(body.content[0]!))) report.left += 1;
        else report.remarks.push({ path, what: 'The day is written already, with the same words.' });
        continue;
      }
      this.dayLines.set(id, lacking.map(idOf));
      const content = [...present.content, ...lacking];
      accepted.push(await this.documents.rewriteWithin(manager, viewer, id, { type: 'doc', content }));
      report.remarks.push({ path, what: 'The day is written already; its lines were added at the end.' });
      report.days += 1;
    }
    for (const [id, body] of this.renewed) {
      const present = this.documents.bodyWithin(viewer, id);
      this.givingBack.push(...givingBack(id, present.content, body.content));
      accepted.push(await this.documents.rewriteWithin(manager, viewer, id, body));
      report.renewed += 1;
    }
    if (this.made.kinds.size + this.made.fields.size > 0) this.accountKinds.noteChange(viewer);
    const isOwn = (id: string | null) => id !== null && accountOf(database.writer, id) === viewer.accountId;
    for (const { templateId, placeId, homeId, ...kind } of this.made.kinds.values()) {
      await putKind(manager, viewer, {
        ...kind,
        templateId: isOwn(templateId) ? templateId : null,
        placeId: isOwn(placeId) ? placeId : null,
        homeId: isOwn(homeId) ? homeId : null,
      });
    }
    for (const field of this.made.fields.values()) await putField(manager, viewer, field);
    await this.takeStates(manager);
    this.weights.forEach((weight, parentId) => adjustBeneath(database.writer, parentId, weight, 1));
    for (const day of this.planning.namedDays()) {
      const id = dayId(viewer.accountId, day);
      if (accountOf(database.writer, id) === undefined) await this.makeDayAsBegun(manager, id, day);
    }
    if (this.rest) await takeRest(manager, viewer, this.rest, this.madeIds(madeDays));
    return accepted;
  }

  /** What takes all of it back: what was made goes to the bin, and the lines of days that came in go. */
  takingBack(): Act[] {
    const { entries } = this.planning;
    const made = new Set(entries.map(({ id }) => id));
    const outermost = entries.filter(({ parentId, deletedAt }) => !deletedAt && !(parentId && made.has(parentId)));
    return [
      ...outermost.filter(({ rest }) => rest?.period === undefined).map(({ id }): Act => ({ do: 'bin', id })),
      ...[...this.dayLines].map(([id, blockIds]): Act => ({ do: 'dropBlocks', id, blockIds })),
      ...this.givingBack,
    ];
  }

  /** What was made: of what was left as it was nothing else is taken in. */
  private madeIds(madeDays: readonly string[]): ReadonlySet<string> {
    return new Set([...this.planning.entries.map(({ id }) => id), ...madeDays]);
  }

  /** The bin, templates, and what pages were made from and merged into. */
  private async takeStates(manager: EntityManager): Promise<void> {
    for (const { id, deletedAt, rest } of this.planning.entries) {
      const { isTemplate, templateId, madeFrom, mergedInto } = rest ?? {};
      const here = (said: string | undefined) => {
        const own = said === undefined ? undefined : (this.renamed.get(said) ?? said);
        return own !== undefined && accountOf(this.database.writer, own) === this.viewer.accountId ? own : undefined;
      };
      const states = {
        deletedAt,
        isTemplate: isTemplate && (1 as const),
        templateId: here(templateId),
        madeFrom: here(madeFrom),
        mergedInto: here(mergedInto),
      };
      const said = Object.fromEntries(Object.entries(states).filter(([, value]) => value !== undefined));
      if (Object.keys(said).length > 0) await manager.update(EntryEntity, { id }, said);
    }
  }

  private async makeDayAsBegun(manager: EntityManager, id: string, day: string): Promise<void> {
    const body = await dayBeginning(manager, this.viewer, id, day);
    await this.documents.makeDay(manager, this.viewer, id, day, body);
  }
}

const idOf = (node: NodeJson): string => String(node.attrs?.id);

/** The words of a line without its tags, whose names are not known of a line that is stored. */
const wordsOfLine = (node: NodeJson): string =>
  ownWords({ ...node, content: node.content?.filter(({ type }) => type !== 'tag') }).trim();

/** Whether somebody was shown how an unwritten day begins. */
const isBegun = (manager: EntityManager, id: string): Promise<boolean> =>
  manager.existsBy(DayBeginningEntity, { pageId: id });

/** What gives a page the lines again that it had: those that stayed their content, the others their place. */
function givingBack(id: string, before: readonly NodeJson[], now: readonly NodeJson[]): Act[] {
  const had = new Set(before.map(idOf));
  const has = new Set(now.map(idOf));
  const stayed = before.filter((node) => has.has(idOf(node)));
  const put = before.flatMap((node, index): Act[] => {
    if (has.has(idOf(node))) return [];
    const afterId = index > 0 ? idOf(before[index - 1]!) : null;
    return [{ do: 'putBlocks', id, afterId, nodes: [node] }];
  });
  const added = now.map(idOf).filter((each) => !had.has(each));
  return [
    ...(stayed.length > 0 ? [{ do: 'rewrite', id, nodes: stayed } satisfies Act] : []),
    ...put,
    ...(added.length > 0 ? [{ do: 'dropBlocks', id, blockIds: added } satisfies Act] : []),
  ];
}
