import { newId } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import {
  SEASON_WORDS,
  shownTitle,
  type EntryKind,
  type Place,
  type Season,
  type ContentsEntry,
  type EntryInfo,
} from '@glossarion/core/outline';
import { api } from '../../state/api';
import { ask, store } from '../../state/store';
import { noticed, sheetOpened, type ChosenEntry } from '../../state/view';
import { copyAddress } from '../../screen/copy';
import { lastingAddress, open } from '../../screen/navigation';
import { makeFromTemplate, templateFor } from '../templates/templateActs';
import { makeOnce } from './making';
import { perform } from '../../state/deeds';

/** What can be done to entries of the outline, from the contents, a page's sheet, the keys or a picker alike. */

export const chosenOf = (entry: ContentsEntry | EntryInfo): ChosenEntry => ({
  id: entry.id,
  kind: entry.kind,
  parentId: entry.parentId,
  title: shownTitle(entry.name, 'firstWords' in entry ? entry.firstWords : entry.title),
});

/** “Sluice gate no. 2”, or how many. */
const named = (entries: readonly { title: string }[]): string =>
  entries.length === 1 ? `“${entries[0]!.title}”` : `${entries.length} entries`;
const wasOrWere = (entries: readonly unknown[]): string => (entries.length === 1 ? 'was' : 'were');
const isOrAre = (entries: readonly unknown[]): string => (entries.length === 1 ? 'is' : 'are');

/** Moves entries to a place, in the order they are given. */
export function moveTo(entries: readonly ChosenEntry[], place: Place, where: string): Promise<boolean> {
  const acts = entries.map((entry, index): Act => {
    const afterId = index === 0 ? place.afterId : entries[index - 1]!.id;
    return { do: 'place', id: entry.id, parentId: place.parentId, ...(afterId !== undefined && { afterId }) };
  });
  return perform(acts, `${named(entries)} moved ${where}.`);
}

export function setSeason(entries: readonly ChosenEntry[], season: Season): Promise<boolean> {
  const acts = entries.map(({ id }): Act => ({ do: 'season', id, season }));
  const words =
    season === 'now'
      ? `${named(entries)} ${isOrAre(entries)} back in the daily view.`
      : `${named(entries)} ${isOrAre(entries)} ${SEASON_WORDS[season]}.`;
  return perform(acts, words);
}

export const remove = (entries: readonly ChosenEntry[]): Promise<boolean> =>
  perform(
    entries.map(({ id }): Act => ({ do: 'bin', id })),
    `${named(entries)} ${isOrAre(entries)} in the bin.`,
  );

export const restore = (entry: { id: string; title: string }): Promise<boolean> =>
  perform([{ do: 'restore', id: entry.id }], `“${entry.title}” came back.`);

export const pinAll = (entries: readonly ChosenEntry[]): Promise<boolean> =>
  perform(
    entries.map(({ id }): Act => ({ do: 'pin', id })),
    `${named(entries)} ${isOrAre(entries)} pinned to the Desk.`,
  );

export const unpin = (entries: readonly { id: string; title: string }[]): Promise<boolean> =>
  perform(
    entries.map(({ id }): Act => ({ do: 'unpin', id })),
    `${named(entries)} ${isOrAre(entries)} not pinned any more.`,
  );

export async function rename(entry: ChosenEntry, name: string): Promise<boolean> {
  if (name.trim() === entry.title) return true;
  if (name.trim() === '' && entry.kind !== 'page') {
    store.dispatch(noticed({ words: `A ${entry.kind} needs a name. The old one was kept.` }));
    return false;
  }
  return perform([{ do: 'name', id: entry.id, name: name.trim() }], `“${entry.title}” is now “${name.trim()}”.`);
}

export const duplicate = (entry: ChosenEntry): Promise<void> =>
  makeOnce(async () => {
    const copyId = newId();
    const isDone = await perform([{ do: 'duplicate', id: entry.id, copyId }], `“${entry.title}” was copied.`);
    if (isDone) open(entry.kind === 'page' ? `/p/${copyId}` : `/n/${copyId}`);
    return isDone;
  });

/** Copies several where they stand, and stays. */
export const duplicateAll = (entries: readonly ChosenEntry[]): Promise<boolean> =>
  perform(
    entries.map(({ id }): Act => ({ do: 'duplicate', id, copyId: newId() })),
    `${named(entries)} ${wasOrWere(entries)} copied.`,
  );

/** Makes a page, from the template of the place if it has one, and opens it with the cursor in its title. */
export const makePage = (place: Place): Promise<void> => makeOnce(() => made(place));

async function made(place: Place): Promise<boolean> {
  const templateId = place.parentId ? await templateFor(place.parentId) : null;
  if (templateId) return makeFromTemplate(templateId, place);
  const id = newId();
  const isDone = await perform([{ do: 'make', id, kind: 'page', name: '', ...place }], null);
  if (isDone) open(`/p/${id}?at=title`);
  return isDone;
}

/** Beside a page, beneath anything, or at the end of what a page stands in. */
export type NewPagePlace = 'beside' | 'beneath' | 'end';

export const makePageAt = (where: NewPagePlace, id: string | undefined): Promise<void> =>
  makeOnce(async () => {
    const place = await placeOf(where, id);
    if (place) return made(place);
    store.dispatch(noticed({ words: 'A page stands in a notebook. Make a notebook first.' }));
    return false;
  });

async function placeOf(where: NewPagePlace, id: string | undefined): Promise<Place | null> {
  if (id) {
    const entry = await ask(api.endpoints.entry.initiate(id));
    if (where === 'beneath' || entry.kind === 'notebook') return entry.standsIn ? null : { parentId: id };
    if (entry.parentId) return { parentId: entry.parentId, ...(where === 'beside' && { afterId: id }) };
  }
  const notebooks = await ask(api.endpoints.notebooks.initiate());
  const first = notebooks.find((notebook) => notebook.season === null) ?? notebooks[0];
  return first ? { parentId: first.id } : null;
}

/** Makes a page with a live overview of what stands beneath something, first in it, and opens it. */
export const makeOverviewPage = (entry: { id: string; title: string }): Promise<void> =>
  makeOnce(async () => {
    const id = newId();
    const isDone = await perform(
      [{ do: 'make', id, kind: 'page', parentId: entry.id, afterId: null, name: 'Overview', overviewOf: entry.id }],
      `An overview of “${entry.title}” was made.`,
    );
    if (isDone) open(`/p/${id}`);
    return isDone;
  });

export const copyLink = (entry: { kind: EntryKind; id: string; title: string }): Promise<void> =>
  copyAddress(lastingAddress(entry.kind === 'page' ? 'p' : 'n', entry.id), entry.title, `this ${entry.kind}`);

export const askWhereTo = (entries: ChosenEntry[]): void => void store.dispatch(sheetOpened({ for: 'move', entries }));
