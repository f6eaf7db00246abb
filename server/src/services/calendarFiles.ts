import { createHash, randomBytes } from 'node:crypto';
import { shownWords, type NodeJson } from '@glossarion/core/document';
import { writeTasks, type CalendarTask } from '@glossarion/core/formats/calendar';
import { taskOf } from '@glossarion/core/tasks';
import { ownedBy, viewerAtAddress, type Viewer } from '../access';
import type { Database } from '../database/database';
import { CalendarAddressEntity } from '../entities';
import { notFound } from '../problem';
import type { Entries } from './entries';
import type { Tasks } from './tasks';

/** What an address ends with is as hard to guess as a key. In bytes. */
const SECRET = 32;

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** Open tasks as a calendar file: for the person, and at a private address for calendar programs. */
export class CalendarFiles {
  constructor(
    private database: Database,
    private entries: Entries,
    private tasks: Tasks,
  ) {}

  /**
   * All open tasks that are due on a day.
   *
   * @param origin where the lines open: `https://notes.example`
   * @param isWanted whether those of a page are written, by its id
   */
  async file(viewer: Viewer, origin: string, isWanted: (pageId: string) => boolean = () => true): Promise<string> {
    const reader = this.entries.reader(viewer);
    const due = (await this.tasks.due(viewer, reader)).filter(({ page }) => isWanted(page.id));
    const titleOf = (id: string): string => reader.title(id);
    const out = due.map(({ blockId, page, node, changedAt }): CalendarTask => ({
      id: blockId,
      words: shownWords(node, titleOf).trim() || 'A to-do',
      where: [...page.trail.map(({ name }) => name), page.title].filter(Boolean).join(' / '),
      address: `${origin}/b/${blockId}`,
      tags: tagsOf(node).map(titleOf),
      task: taskOf(node.attrs ?? {}),
      changedAt,
    }));
    return writeTasks(out, new Date().toISOString());
  }

  /** When the private address was made; null when there is none. */
  async madeAt(viewer: Viewer): Promise<string | null> {
    const address = await this.database.manager.findOneBy(CalendarAddressEntity, ownedBy(viewer));
    return address?.madeAt ?? null;
  }

  /** Makes a private address, in the place of the one there was; what it ends with is known only now. */
  async makeAddress(viewer: Viewer): Promise<string> {
    const secret = randomBytes(SECRET).toString('base64url');
    const row = { hash: hashOf(secret), madeAt: new Date().toISOString() };
    await this.database.write(async (manager) => {
      await manager.delete(CalendarAddressEntity, ownedBy(viewer));
      await manager.insert(CalendarAddressEntity, { ...row, ...ownedBy(viewer) });
    });
    return secret;
  }

  /** Nothing stands at the private address any more. */
  async revoke(viewer: Viewer): Promise<void> {
    await this.database.write((manager) => manager.delete(CalendarAddressEntity, ownedBy(viewer)));
  }

  /**
   * What stands at a private address, for whoever knows what it ends with.
   *
   * @throws Problem (404) when there is none such, or not any more
   */
  async at(secret: string, origin: string): Promise<string> {
    const viewer = await viewerAtAddress(this.database.manager, hashOf(secret));
    if (!viewer) throw notFound();
    return this.file(viewer, origin);
  }
}

const tagsOf = (node: NodeJson): string[] => [
  ...(node.type === 'tag' && node.attrs?.tag ? [String(node.attrs.tag)] : []),
  ...(node.content ?? []).flatMap(tagsOf),
];
