import { In, Not, type EntityManager } from 'typeorm';
import { noLineFacts, type BlockFact, type BodyFacts, type BodyJson, type NodeJson } from '@glossarion/core/document';
import type { Database } from '../database/database';
import { accountOf, ownView } from '../access';
import {
  BlockEntity,
  DocumentEntity,
  EntryEntity,
  FactsDueEntity,
  LINE_FACT_NAMES,
  LINE_FACT_TABLES,
  VocabularyEntity,
} from '../entities';
import type { FactWriter } from './facts';
import { HOLDERS, type HolderKind } from './holders';

/** Documents whose facts are written in one transaction. */
const AT_ONCE = 100;

/**
 * Writes the facts of documents anew that a migration has left otherwise than they are known now. What is not reached
 * is done at the next start; nobody is served before.
 */
export async function bringFactsInLine(database: Database, facts: FactWriter): Promise<void> {
  await countNames(database, facts);
  for (let isLeft = true; isLeft;) {
    isLeft = await database.writePiece(async (manager) => {
      const due = await manager.find(FactsDueEntity, { take: AT_ONCE });
      await facts.countingAtOnce(async () => {
        for (const { documentId } of due) await rewriteFacts(database, manager, facts, documentId);
      });
      await manager.delete(FactsDueEntity, { documentId: In(due.map(({ documentId }) => documentId)) });
      return due.length === AT_ONCE;
    });
  }
}

/** Counts the names of notebooks and sections where no words are known yet: those of pages come with their facts. */
async function countNames(database: Database, facts: FactWriter): Promise<void> {
  if (await database.manager.exists(VocabularyEntity)) return;
  await database.write(async (manager) => {
    const named = await manager.find(EntryEntity, { select: { id: true, row: true }, where: { kind: Not('page') } });
    await facts.countingAtOnce(() => named.forEach(({ id, row }) => facts.countName(id, row)));
  });
}

async function rewriteFacts(database: Database, manager: EntityManager, facts: FactWriter, id: string): Promise<void> {
  const account = accountOf(database.writer, id);
  const document = await manager.findOneBy(DocumentEntity, { id });
  if (!document || account === undefined) return;
  const holder = document.holder as HolderKind;
  const held = HOLDERS[holder].read(database.writing(ownView(account)), id);
  if (!held) return;
  const body = JSON.parse(document.json) as BodyJson;
  const previous = await storedFacts(manager, id);
  const isFoundAnew = held.row !== null && !facts.isIndexed(held.row);
  facts.write({ id, holder, row: held.row, indexed: held.title, isFoundAnew }, held.title, body, previous);
}

/** What the tables of facts say of a document. */
async function storedFacts(manager: EntityManager, documentId: string): Promise<BodyFacts> {
  const blocks = await manager.find(BlockEntity, { where: { documentId }, order: { position: 'ASC' } });
  const facts: BodyFacts = {
    ...noLineFacts(),
    blocks: blocks.map(({ node, ...block }) => ({ ...block, node: JSON.parse(node) as NodeJson }) as BlockFact),
    wordCount: 0,
    firstWords: '',
  };
  for (const name of LINE_FACT_NAMES) {
    const { entity, order } = LINE_FACT_TABLES[name];
    (facts[name] as unknown[]) = await manager.find(entity, { where: { documentId }, order: { [order]: 'ASC' } });
  }
  return facts;
}
