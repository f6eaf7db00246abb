import { bodyFacts, checkBody, emptyBody, namedId, repairBody } from '@glossarion/core/document';
import { planImport, type ImportPlan, type ImportReport, type MarkdownFile } from '@glossarion/core/formats/markdown';
import { dayId, dayTemplate } from '@glossarion/core/journal';
import { ordersAfter } from '@glossarion/core/outline';
import { Problem } from '../problem';
import type { Database } from '../database/database';
import type { Documents } from './documents';
import { weightOf } from './beneath';
import type { FactWriter } from './facts';

/** Takes in a folder of Markdown files: all of it, or nothing. */
export class Imports {
  constructor(
    private database: Database,
    private documents: Documents,
    private forgetNames: (ownerId: string) => void,
    private facts: FactWriter,
  ) {}

  async take(ownerId: string, files: readonly MarkdownFile[], looseNotebook = 'Imported'): Promise<ImportReport> {
    const plan = planImport(files, { dayIdOf: (day) => dayId(ownerId, day), looseNotebook });
    for (const each of [...plan.entries, ...plan.days]) if (each.body) each.body = checkBody(each.body);
    const report = await this.database.write(() => this.make(ownerId, plan));
    this.forgetNames(ownerId);
    return report;
  }

  private make(ownerId: string, plan: ImportPlan): ImportReport {
    const { writer } = this.database;
    const now = new Date().toISOString();
    const report: ImportReport = { notebooks: 0, sections: 0, pages: 0, days: 0, links: 0, remarks: [...plan.remarks] };
    const insert = writer.prepare(
      `INSERT INTO entries (id, ownerId, kind, parentId, orderKey, name, pigment, ornament, description, begunAt, changedAt,
         season, showsLeaves, pagesBeneath, sectionsBeneath)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    );
    const addBody = writer.prepare('INSERT INTO bodies (pageId, json) VALUES (?, ?)');
    const addName = writer.prepare('INSERT INTO otherNames (pageId, position, name) VALUES (?, ?, ?)');
    const taken = writer.prepare('SELECT 1 FROM entries WHERE id = ?');
    const elsewhere = writer.prepare('SELECT 1 FROM blocks WHERE id = ?');
    const isTaken = (id: string) => elsewhere.get(id) !== undefined;
    const orders = this.orders(ownerId, plan);
    const beneath = countBeneath(plan);
    plan.entries.forEach((entry, index) => {
      if (taken.get(entry.id)) throw new Problem(409, `“${entry.name}” is here already: its id is in use.`);
      const pigment = entry.kind === 'notebook' ? (entry.pigment ?? 'lapis') : null;
      const begunAt = entry.begunAt ?? now;
      const { lastInsertRowid } = insert.run(
        entry.id,
        ownerId,
        entry.kind,
        entry.parentId,
        orders[index],
        entry.name,
        pigment,
        entry.ornament ?? null,
        entry.description ?? '',
        begunAt,
        entry.changedAt ?? begunAt,
        entry.season ?? null,
        entry.showsLeaves ? 1 : 0,
        beneath[index]!.pagesBeneath,
        beneath[index]!.sectionsBeneath,
      );
      const row = Number(lastInsertRowid);
      if (entry.kind === 'page') {
        const { body } = repairBody(entry.body ?? { type: 'doc', content: [] }, isTaken);
        const filled = body.content.length > 0 ? body : emptyBody(namedId(entry.id, 'first'));
        addBody.run(entry.id, JSON.stringify(filled));
        entry.otherNames?.forEach((name, position) => {
          addName.run(entry.id, position, name);
          this.facts.noteName(entry.id, name);
        });
        const facts = this.facts.write({ row, id: entry.id, indexed: null }, entry.name, filled, null);
        report.pages += 1;
        report.links += facts.links.length;
      } else {
        this.facts.writeName(row, entry.name);
        report[entry.kind === 'notebook' ? 'notebooks' : 'sections'] += 1;
      }
    });
    for (const { day, body } of plan.days) {
      const pageId = dayId(ownerId, day);
      if (taken.get(pageId)) {
        report.remarks.push({ path: `${day}.md`, what: 'The day is written already; it was left as it is.' });
        continue;
      }
      const repaired = repairBody(body, isTaken).body;
      this.documents.makeDayRow(ownerId, pageId, day, repaired, `${day}T20:00:00.000Z`);
      report.days += 1;
      report.links += bodyFacts(repaired).links.length;
    }
    for (const day of plan.namedDays) {
      const pageId = dayId(ownerId, day);
      if (!taken.get(pageId)) this.documents.makeDayRow(ownerId, pageId, day, dayTemplate(pageId));
    }
    return report;
  }

  /** An order key for each planned entry: in plan order, new notebooks after those that are there. */
  private orders(ownerId: string, plan: ImportPlan): string[] {
    const siblings = new Map<string | null, number[]>();
    plan.entries.forEach((entry, index) => {
      siblings.set(entry.parentId, [...(siblings.get(entry.parentId) ?? []), index]);
    });
    const last = this.database.writer
      .prepare('SELECT MAX(orderKey) AS orderKey FROM entries WHERE ownerId = ? AND parentId IS NULL AND day IS NULL')
      .get(ownerId) as { orderKey: string | null };
    const orders: string[] = [];
    for (const [parentId, indices] of siblings) {
      const keys = ordersAfter(parentId === null ? last.orderKey : null, indices.length);
      indices.forEach((index, place) => (orders[index] = keys[place]!));
    }
    return orders;
  }
}

/** How much stands beneath each planned entry. Parents are planned before what they hold. */
function countBeneath(plan: ImportPlan): { pagesBeneath: number; sectionsBeneath: number }[] {
  const counts = plan.entries.map(({ kind }) => ({ kind, pagesBeneath: 0, sectionsBeneath: 0 }));
  const indexOf = new Map(plan.entries.map((entry, index) => [entry.id, index]));
  for (let index = counts.length - 1; index >= 0; index -= 1) {
    const holder = counts[indexOf.get(plan.entries[index]!.parentId ?? '') ?? -1];
    if (!holder) continue;
    const { pages, sections } = weightOf(counts[index]!);
    holder.pagesBeneath += pages;
    holder.sectionsBeneath += sections;
  }
  return counts;
}
