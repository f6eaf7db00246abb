import type { Finding, MarkedPiece } from '@glossarion/core/find';
import type { Target } from '@glossarion/core/links';
import { addressOf } from '../../screen/navigation';
import { api } from '../../state/api';
import { store } from '../../state/store';

/** One thing that can be chosen among what was found: a page, or a line of the page above it. */
export interface ResultRow {
  id: string;
  target: Target;
  /** The line; null for a page. */
  blockId: string | null;
  address: string;
  pieces: readonly MarkedPiece[];
  /** When its page was changed last; null where that is not said. */
  changedAt: string | null;
}

const isFinding = (result: Finding | Target): result is Finding => 'titlePieces' in result;

/** A page opens at the line that fits, unless its title is what was looked for. */
function addressOfPage(finding: Finding): string {
  const isNamed = finding.titlePieces.some(({ isMarked }) => isMarked);
  return !isNamed && finding.blockId ? `/b/${finding.blockId}` : addressOf(finding);
}

/** What was found as it is gone through: each page with its lines after it. */
export const rowsOf = (results: readonly (Finding | Target)[]): ResultRow[] =>
  results.flatMap((target): ResultRow[] => {
    if (!isFinding(target)) {
      const pieces = [{ text: target.title, isMarked: false }];
      return [{ id: target.id, target, blockId: null, address: addressOf(target), pieces, changedAt: null }];
    }
    const { titlePieces, lines, changedAt } = target;
    const address = addressOfPage(target);
    return [
      { id: target.id, target, blockId: null, address, pieces: titlePieces, changedAt },
      ...lines
        .filter(({ pieces }) => pieces.length > 0)
        .map(({ blockId, pieces }) => ({ id: blockId, target, blockId, address: `/b/${blockId}`, pieces, changedAt })),
    ];
  });

/** On which page a line stands, for its address to be shown without the server. */
export function rememberPlace({ address, target }: ResultRow): void {
  const [, blockId] = /^\/b\/(.+)$/u.exec(address) ?? [];
  if (!blockId) return;
  void store.dispatch(api.util.upsertQueryData('blockPlace', blockId, { pageId: target.pageId, blockId }));
}
