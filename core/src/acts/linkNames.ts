import type { NamedAt } from '../alsoNamed/alsoNamedLine';
import { dayOfKey } from '../alsoNamed/dayKey';
import { nameKey } from '../alsoNamed/finder';
import { placesStillNaming } from '../alsoNamed/stillNaming';
import { isCalendarDate } from '../dates/written';
import type { NodeJson } from '../document/types';
import { linkRanges, mapTextBlocks } from '../links/ranges';
import type { Act } from './all';
import type { CombinedAct } from './act';
import { missing } from './actError';
import { contentOf } from './ask';
import { idOf } from '../document/kinds';
import { ANYTHING } from '../notices/changed';
import { MAX_ACTS } from '../outline/limits';
import { day, fields, id, list, optional } from './shape';

/** Links a page, or a day, wherever these lines name it. */
export interface LinkNames {
  do: 'linkNames';
  id: string;
  day?: string;
  places: { pageId: string; blockId: string }[];
}

/** The lines of each page. */
function linesOf(places: LinkNames['places']): Map<string, Set<string>> {
  const lines = new Map<string, Set<string>>();
  for (const { pageId, blockId } of places) lines.set(pageId, (lines.get(pageId) ?? new Set()).add(blockId));
  return lines;
}

export const linkNames: CombinedAct<LinkNames> = {
  shape: { day: optional(day), places: list(fields({ pageId: id, blockId: id }), MAX_ACTS) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  needs: ({ places }) =>
    [...linesOf(places)].map(([pageId, blockIds]) => ({ namedIn: { pageId, blockIds: [...blockIds] } })),
  steps: (act, outline) => {
    const target = outline.entry(act.id);
    const isDay = act.day !== undefined && outline.dayId(act.day) === act.id;
    const onDay = target?.day ?? (isDay ? act.day! : null);
    if (!target && onDay === null) throw missing();
    const title = target?.name ?? '';
    const names = target ? outline.otherNames(act.id) : [];
    const keys = new Set([title, ...names].map(nameKey).filter((key) => key !== null));
    const isMeant = (name: string) => (onDay === null ? keys.has(name) : dayOfKey(name) === onDay);
    // What a link shows by itself needs no words of its own.
    const wordsFor = (written: string) =>
      (onDay !== null ? isCalendarDate(written) : written === title) ? null : written;
    return [...linesOf(act.places)].flatMap(([pageId, blockIds]): Act[] => {
      const content = contentOf(outline, pageId);
      const nodes = content
        .filter((node) => blockIds.has(idOf(node)))
        .map((node) => {
          const named = outline.namedIn(pageId, idOf(node)).filter(({ name }) => isMeant(name));
          const places = named.flatMap((each) => each.places);
          const present = onDay === null ? placesStillNaming(node, places, keys) : places;
          return linked(node, present, act.id, wordsFor);
        })
        .filter((node) => !content.includes(node));
      return nodes.length > 0 ? [{ do: 'rewrite', id: pageId, nodes }] : [];
    });
  },
};

/** A node with links at these places. */
function linked(
  node: NodeJson,
  places: readonly NamedAt[],
  target: string,
  words: (written: string) => string | null,
): NodeJson {
  let text = -1;
  return mapTextBlocks(node, (block) => {
    text += 1;
    const ranges = places
      .filter(([index]) => index === text)
      .map(([, start, end]) => ({ start, end }))
      .sort((one, other) => one.start - other.start);
    return linkRanges(block, ranges, target, words);
  });
}
