import { ownWords, type NodeJson } from '@glossarion/core/document';
import { localDay, nearDate } from '@glossarion/core/journal';
import type { Gloss } from '@glossarion/core/margin';
import { trailWords } from '../../screen/words';

const TIME = /^(\d{1,2}[:.]\d{2})\b/u;

interface Placed {
  day: string | null;
  node: NodeJson;
  changedAt: string;
  heldOn?: string | null;
  pageTitle: string;
  trail: Gloss['trail'];
  standsIn: Gloss['standsIn'];
}

/** Where a line comes from: the day and hour of a journal line, else the page, with its trail and date. */
export function originOf({ day, node, changedAt, heldOn = null, pageTitle, trail, standsIn }: Placed): {
  words: string;
  detail: string;
} {
  const today = localDay(new Date());
  if (day) {
    const near = nearDate(day, today);
    const time = TIME.exec(ownWords(node).trim())?.[1];
    const shown = near[0]!.toUpperCase() + near.slice(1);
    return { words: time ? `${shown}, ${time}` : shown, detail: 'Journal' };
  }
  const changed = nearDate(heldOn ?? localDay(new Date(changedAt)), today);
  // A jotting is called by its own first words, which stand here anyway.
  if (standsIn === 'tray') return { words: 'A jotting', detail: ['Tray', changed].join(', ') };
  return { words: pageTitle, detail: [trailWords(trail), changed].filter(Boolean).join(', ') };
}
