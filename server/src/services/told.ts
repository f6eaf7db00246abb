import type { Changed, ChangeNotice } from '@glossarion/core/notices';
import { ownView, type Viewer } from '../access';
import type { Accepted } from './documents';
import type { Entries } from './entries';
import type { Notices } from './notices';

/** What is told of a document that was changed: of which entries, so that only windows that show these ask again. */
export function toldOf(entries: Entries, { accountId, pageId, changed, linked }: Accepted): ChangeNotice[] {
  const viewer = ownView(accountId);
  const reader = entries.reader(viewer);
  const idsOf: Partial<Record<Changed, () => string[]>> = {
    title: () => [pageId],
    // The contents of everything it stands in.
    outline: () => [...reader.line(pageId).map(({ id }) => id), pageId],
    // The Margins of what its links lead to, the pages of its tags, and all that shows its lines.
    links: () => [pageId, ...linked.flatMap((id) => reader.tagLine(id) ?? entries.block(viewer, id)?.pageId ?? id)],
  };
  // Lists of tasks, and of the pages of a kind, are of all pages.
  const told = changed.map((what) => ({
    what,
    ids: what === 'tasks' || what === 'kinds' ? null : [...new Set(idsOf[what]?.() ?? [pageId])],
  }));
  return reader.isJotting(pageId) ? [...told, { what: 'tray', ids: null }] : told;
}

/** Something that may be anywhere. */
export const anywhere = (changed: readonly Changed[]): ChangeNotice[] => changed.map((what) => ({ what, ids: null }));

/** Tells all windows of an account that anything may be new: much came in at once. */
export const tellOfAll = (notices: Pick<Notices, 'send'>, { accountId }: Viewer): void =>
  notices.send(accountId, ...anywhere(['outline', 'title', 'links', 'kinds', 'desk', 'settings', 'searches']));
