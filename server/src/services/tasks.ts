import { setBlockAttributes, type TaskState } from '@glossarion/core/document';
import type { Viewer } from '../access';
import { notFound } from '../problem';
import type { Documents } from './documents';
import type { Entries } from './entries';

/** To-do items, wherever they are shown. */
export class Tasks {
  constructor(
    private entries: Entries,
    private documents: Documents,
  ) {}

  /** Ticks a to-do item off, or opens it again. */
  async setState(viewer: Viewer, id: string, state: TaskState): Promise<void> {
    const block = this.entries.block(viewer, id);
    if (!block) throw notFound();
    const { blockId, pageId } = block;
    await this.documents.edit(viewer, pageId, (document) => {
      const isTask = (attributes: Record<string, unknown>) => attributes.kind === 'todo';
      if (!setBlockAttributes(document, blockId, { state }, isTask)) throw notFound();
    });
  }
}
