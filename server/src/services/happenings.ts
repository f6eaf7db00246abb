import { In, type EntityManager, type FindOptionsWhere } from 'typeorm';
import type { BodyFacts } from '@glossarion/core/document';
import { happenedBetween, movedAgain, MOVES, type TaskHappening } from '@glossarion/core/tasks';
import { ownedBy, ownView } from '../access';
import { HappeningEntity, type Happening } from '../entities';
import type { HeldDocument } from './holders';
import type { Zones } from './zones';

/** Notes what happens on a day, and takes it back, within the transaction in which it does. */
export class HappeningWriter {
  constructor(private zones: Zones) {}

  /**
   * @param of the document that was changed
   * @param isTyped whether the person wrote it, so that its words count
   */
  async note(
    manager: EntityManager,
    of: Pick<HeldDocument, 'id' | 'accountId' | 'day'>,
    before: Pick<BodyFacts, 'tasks' | 'wordCount'>,
    after: Pick<BodyFacts, 'tasks' | 'wordCount' | 'blocks'>,
    isTyped: boolean,
  ): Promise<void> {
    const words = isTyped ? after.wordCount - before.wordCount : 0;
    const isSame = before.tasks === after.tasks || (before.tasks.length === 0 && after.tasks.length === 0);
    if (words === 0 && isSame) return;
    const today = await this.zones.dayOf(ownView(of.accountId));
    if (words !== 0) await this.addWords(manager, of, today, words);
    if (isSame) return;
    await this.follow(manager, of.id, before, after);
    const there = new Set(after.blocks.map(({ id }) => id));
    const context = { today, writtenOn: of.day, isThere: (blockId: string) => there.has(blockId) };
    const { added, gone } = happenedBetween(before.tasks, after.tasks, context);
    for (const each of gone) await this.takeBack(manager, each);
    for (const each of added) await this.add(manager, of, each);
  }

  private async add(
    manager: EntityManager,
    { id: documentId, accountId }: Pick<HeldDocument, 'id' | 'accountId'>,
    happening: TaskHappening,
  ): Promise<void> {
    if (isMove(happening)) {
      const { blockId, occurrence } = happening;
      const where = { blockId, occurrence, what: In(MOVES) };
      const noted = await manager.find(HappeningEntity, { where, order: { number: 'ASC' } });
      const again = movedAgain(
        noted.map((each) => ({ ...each, isTakenBack: each.isTakenBack === 1 })),
        happening,
      );
      if (again) {
        const index = 'takesBack' in again ? again.takesBack : again.makesAgain;
        const isTakenBack = 'takesBack' in again ? 1 : 0;
        await manager.update(HappeningEntity, { number: noted[index]!.number }, { isTakenBack });
        return;
      }
    }
    const row = { ...happening, day: happening.day!, documentId, ...ownedBy(ownView(accountId)) };
    await manager
      .createQueryBuilder()
      .insert()
      .into(HappeningEntity)
      .values(row)
      .orIgnore()
      .updateEntity(false)
      .execute();
  }

  private async addWords(
    manager: EntityManager,
    of: Pick<HeldDocument, 'id' | 'accountId'>,
    day: string,
    words: number,
  ): Promise<void> {
    const row = { what: 'words' as const, documentId: of.id, day };
    const { affected } = await manager.increment(HappeningEntity, row, 'words', words);
    if (!affected) await manager.insert(HappeningEntity, { ...row, words, ...ownedBy(ownView(of.accountId)) });
  }

  /** What happened to a task goes with its line from page to page. */
  private async follow(
    manager: EntityManager,
    documentId: string,
    before: Pick<BodyFacts, 'tasks'>,
    after: Pick<BodyFacts, 'tasks'>,
  ): Promise<void> {
    const known = new Set(before.tasks.map(({ blockId }) => blockId));
    for (const { blockId } of after.tasks) {
      if (!known.has(blockId)) await manager.update(HappeningEntity, { blockId }, { documentId });
    }
  }

  /** The last such that happened did not. */
  private async takeBack(manager: EntityManager, { what, blockId, occurrence, day }: TaskHappening): Promise<void> {
    // A task is done, or dropped, at most once on a day.
    if (day !== null && !isMove({ what })) {
      await manager.delete(HappeningEntity, { what, blockId, occurrence, day });
      return;
    }
    const last = await lastOf(manager, { what, blockId, occurrence, ...(day !== null && { day }) });
    if (last) await manager.delete(HappeningEntity, { number: last.number });
  }
}

const isMove = ({ what }: Pick<TaskHappening, 'what'>): boolean => (MOVES as readonly string[]).includes(what);

const lastOf = (manager: EntityManager, where: FindOptionsWhere<Happening>): Promise<Happening | null> =>
  manager.findOne(HappeningEntity, { where, order: { number: 'DESC' } });
