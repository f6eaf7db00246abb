import { namedIn, type NodeJson } from '@glossarion/core/document';
import type { TrailStep } from '@glossarion/core/outline';
import type { Act } from '@glossarion/core/acts';
import { noteDeed, performQuietly } from '../../state/deeds';
import { dropDraft, keepDraft, rewriting } from '../../documents/glossDrafts';

/** How long the typing rests before the line is stored, in milliseconds. */
const STORED_AFTER = 700;

const sameContent = (one: NodeJson, other: NodeJson): boolean =>
  JSON.stringify(one.content ?? []) === JSON.stringify(other.content ?? []);

/** A line of another page, with where that stands. */
export interface LineElsewhereInfo {
  pageId: string;
  pageTitle: string;
  node: NodeJson;
  trail: TrailStep[];
  day: string | null;
}

/** A line that is edited where it is shown elsewhere: kept in this browser at once, stored as the typing rests, taken back as one. */
export class EditedLine {
  /** As the server has it. */
  private stored: NodeJson;
  private present: NodeJson;
  private undo: Act[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;
  private storing: Promise<boolean> = Promise.resolve(true);

  constructor(private line: LineElsewhereInfo) {
    this.stored = this.present = line.node;
  }

  write(node: NodeJson | undefined): void {
    if (!node) return;
    this.present = node;
    const { pageId, pageTitle } = this.line;
    keepDraft({ pageId, pageTitle, node, was: this.stored });
    clearTimeout(this.timer);
    // Without the link that brought it here the line leaves the Margin: not while somebody writes in it.
    if (this.isStillHere(node)) this.timer = setTimeout(() => void this.store(), STORED_AFTER);
  }

  private isStillHere(node: NodeJson): boolean {
    const links = new Set(namedIn([node]).links);
    return namedIn([this.line.node]).links.every((id) => links.has(id));
  }

  private store(): Promise<boolean> {
    this.storing = this.storing.then(async () => {
      const { stored: was, present: node } = this;
      if (sameContent(was, node)) return true;
      const { pageId, pageTitle } = this.line;
      const undo = await performQuietly([rewriting({ pageId, pageTitle, node, was })]);
      if (!undo) return false;
      this.stored = node;
      this.undo.unshift(...undo);
      return true;
    });
    return this.storing;
  }

  /** Stores what is left; false when it was refused: it stays in this browser then. */
  async finish(): Promise<boolean> {
    clearTimeout(this.timer);
    if (!(await this.store())) return false;
    dropDraft(this.line.node);
    if (this.undo.length > 0) noteDeed(`A line on “${this.line.pageTitle}” was changed.`, this.undo.splice(0));
    return true;
  }

  /** Brings the line back to what it was when the editing began. */
  async takeBack(): Promise<boolean> {
    clearTimeout(this.timer);
    await this.storing;
    dropDraft(this.line.node);
    if (this.undo.length > 0) await performQuietly(this.undo.splice(0));
    return true;
  }
}
