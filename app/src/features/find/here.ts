import type { Finding, Found } from '@glossarion/core/find';
import { HeldNotes, type HeldFinding } from '@glossarion/core/find/held';
import type { Asked } from '@glossarion/core/find/query';
import { addDays, dayId, dayTitleWithYear, localDay } from '@glossarion/core/journal';
import type { Target } from '@glossarion/core/links';
import { heldTexts, linesOfText } from '../../documents/heldPages';
import { openShelf } from '../../documents/shelf';
import { store } from '../../state/store';

/** What is found without the server: among the pages that this browser keeps. */
export interface FoundHere extends Pick<Found, 'findings' | 'also' | 'isMore'> {
  /** How many pages that is. */
  pages: number;
}

/** Of the days of so many years it is known which page is whose. */
const DAYS = 4 * 366;

const knownTargets = (): Readonly<Record<string, Target>> => store.getState().targets.known;

/** The day whose page something is, by its id. */
function daysById(accountId: string): ReadonlyMap<string, string> {
  const tomorrow = addDays(localDay(new Date()), 1);
  const days = Array.from({ length: DAYS }, (_each, back) => addDays(tomorrow, -back));
  return new Map(days.map((day) => [dayId(accountId, day), day]));
}

const isPresent = (target: Target | undefined): boolean => target?.state !== 'binned' && target?.state !== 'gone';

function findingOf({ id, titlePieces, lines }: HeldFinding, title: string, day: string | null): Finding {
  const unknown: Target = {
    ...{ id, kind: 'page', pageId: id, title, state: 'written', season: 'now' },
    ...{ trail: [], pigment: null, day, standsIn: day ? 'journal' : null },
  };
  const target = knownTargets()[id] ?? unknown;
  // When it was changed nobody here knows.
  return { ...target, title, titlePieces, lines, blockId: lines[0]?.blockId ?? null, changedAt: '' };
}

/** The pages that this browser keeps, ready to be searched. */
export async function readHere(accountId: string): Promise<(asked: Asked, limit: number) => FoundHere> {
  const shelf = openShelf(accountId);
  const texts = shelf ? await heldTexts(shelf.local, shelf.library) : [];
  const days = daysById(accountId);
  const known = knownTargets();
  const titles = new Map(
    texts.map(({ pageId, title }) => {
      const day = days.get(pageId);
      return [pageId, day ? dayTitleWithYear(day) : title || known[pageId]?.title || 'Untitled'];
    }),
  );
  const titleOf = (id: string) => titles.get(id) ?? known[id]?.title ?? '';
  const pages = texts
    .filter(({ pageId }) => isPresent(known[pageId]))
    .map((text) => ({ id: text.pageId, title: titles.get(text.pageId)!, lines: linesOfText(text, titleOf) }));
  const notes = new HeldNotes(pages);
  return (asked, limit) => {
    const { findings, also, isMore } = notes.find(asked, limit);
    const shown = findings.map((each) => findingOf(each, titles.get(each.id)!, days.get(each.id) ?? null));
    return { findings: shown, also, isMore, pages: pages.length };
  };
}
