import { block } from '../document/build';
import { namedId } from '../document/ids';
import type { NodeJson } from '../document/types';
import type { Act } from './all';
import type { Plan } from './act';
import { contentOf } from './ask';
import { idOf } from '../document/kinds';
import type { ActOutline } from './outline';

/** Pages whose blocks an act changes: read once, changed in memory, given back together. */
export class Texts {
  private contents = new Map<string, NodeJson[]>();

  constructor(private outline: ActOutline) {}

  /** The blocks of a page, to be changed. */
  of(pageId: string): NodeJson[] {
    let content = this.contents.get(pageId);
    if (!content) this.contents.set(pageId, (content = [...contentOf(this.outline, pageId)]));
    return content;
  }

  /**
   * The plan that changes them, those that lose blocks first: a block stands on one page alone. A page holds one line at
   * least; one that was left without gets an empty one, which goes again when the act is taken back.
   */
  plan(undo: Act[], first: Iterable<string> = []): Plan {
    const filled: Act[] = [];
    const changes = [...new Set([...first, ...this.contents.keys()])].map((id) => {
      const content = this.of(id);
      if (content.length === 0) {
        const line = block('paragraph', [], { id: namedId(id, `left by ${this.outline.now}`) });
        content.push(line);
        filled.push({ do: 'dropBlocks', id, blockIds: [idOf(line)] });
      }
      return { change: 'content' as const, id, content };
    });
    return { changes, undo: [...undo, ...filled] };
  }
}

/** Where blocks go that stand after another one; null for the head, and at the end when that one is not there. */
export const indexAfter = (content: readonly NodeJson[], afterId: string | null): number =>
  afterId === null ? 0 : content.findIndex((node) => idOf(node) === afterId) + 1 || content.length;
