import type { Planning } from '@glossarion/core/formats/markdown';
import type { ImportPreview } from '@glossarion/core/works';
import { nextTurn } from './turns';

/** How much of each list a preview has. */
const PLACES = 60;
const PRESENT = 200;
const REMARKS = 400;
/** Bodies are looked through for so long before others are served, in milliseconds. */
const PIECE = 30;

/**
 * What a plan would make. Its bodies are looked through too, for what is not understood in them.
 *
 * @param looseNotebook the notebook for what stands in no folder
 * @param nameOf what a notebook that is here is called, by its id
 */
export async function previewOf(
  planning: Planning,
  looseNotebook: string,
  nameOf: (id: string) => string,
  signal: AbortSignal,
): Promise<ImportPreview> {
  const { entries } = planning;
  let began = performance.now();
  const pause = async () => {
    signal.throwIfAborted();
    if (performance.now() - began < PIECE) return;
    await nextTurn();
    began = performance.now();
  };
  // The list grows while it is gone through: by pages that links name.
  for (let index = 0; index < entries.length; index += 1) {
    planning.bodyOf(entries[index]!);
    await pause();
  }
  for (const day of planning.days) {
    planning.dayBody(day);
    await pause();
  }
  const count = (kind: string) => entries.filter((entry) => entry.kind === kind).length;
  const { present, remarks, left } = planning;
  return {
    looseNotebook,
    ...{ notebooks: count('notebook'), sections: count('section'), pages: count('page'), days: planning.days.length },
    // With other words they are counted on their own.
    left: left - present.length,
    places: placesOf(planning, nameOf),
    ...{ presentCount: present.length, present: present.slice(0, PRESENT) },
    ...{ remarkCount: remarks.length, remarks: remarks.slice(0, REMARKS) },
  };
}

/** To which notebooks pages come, most first. */
function placesOf({ entries }: Planning, nameOf: (id: string) => string): ImportPreview['places'] {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  const places = new Map<string, { name: string; pages: number; isHere: boolean }>();
  for (const entry of entries) {
    if (entry.kind !== 'page') continue;
    let top: string = entry.parentId ?? '';
    for (let above = byId.get(top); above?.parentId; above = byId.get(top)) top = above.parentId;
    if (top === '') continue;
    const planned = byId.get(top);
    const place = places.get(top) ?? { name: planned?.name ?? nameOf(top), pages: 0, isHere: planned === undefined };
    place.pages += 1;
    places.set(top, place);
  }
  return [...places.values()].sort((one, other) => other.pages - one.pages).slice(0, PLACES);
}
