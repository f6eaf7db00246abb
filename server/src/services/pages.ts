import type { BodyJson } from '@glossarion/core/document';
import type { Target } from '@glossarion/core/links';
import { shownIn } from '@glossarion/core/document';
import type { EntryInfo } from '@glossarion/core/outline';
import type { Viewer } from '../access';
import type { Database } from '../database/database';
import { prepared } from '../sqlite/prepared';
import { DOCUMENT } from '../entities/document.queries';
import type { Entries } from './entries';

/** What is read of a page to show it: where it stands, its text, and what its links show. */
export interface PageRead extends EntryInfo {
  body: BodyJson;
  targets: Target[];
}

/** Pages as they are read. */
export class Pages {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  /** A page; a notebook or section has no text. */
  read(viewer: Viewer, id: string): PageRead {
    const info = this.entries.info(viewer, id);
    const stored = prepared(this.database.reader, DOCUMENT).get(id) as { json: string } | undefined;
    const body = (stored ? JSON.parse(stored.json) : { type: 'doc', content: [] }) as BodyJson;
    return { ...info, body, targets: this.entries.targets(viewer, shownIn([body])) };
  }
}
