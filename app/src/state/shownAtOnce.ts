import { PartialOutline, planAtOnce, type Act, type PartialEntry, type ShownChange } from '@glossarion/core/acts';
import type { ContentsEntry } from '@glossarion/core/outline';
import { api } from './api';
import { store } from './store';
import { targetsKnown } from './targets';

/** What is made from templates is planned by the same code. */
export { nextTitle } from '@glossarion/core/templates';

/** Acts are shown before the server has done them, as far as this window holds all that follows from them. */

type Cached = 'contents' | 'notebooks' | 'entry' | 'page' | 'beneath';

/** The answers that this window keeps of one kind, with what was asked. */
function cached<T>(name: Cached): { asked: unknown; answer: T }[] {
  return Object.values(store.getState().api.queries).flatMap((query) =>
    query?.endpointName === name && query.data !== undefined
      ? [{ asked: query.originalArgs, answer: query.data as T }]
      : [],
  );
}

const listed = (entry: ContentsEntry): PartialEntry => {
  const { id, kind, parentId, name, pigment, ornament, description, season, showsLeaves } = entry;
  return {
    id,
    kind,
    parentId,
    name,
    pigment,
    ornament,
    description,
    season,
    showsLeaves,
    day: null,
    period: null,
    jotting: null,
    comesBack: null,
    deletedAt: null,
  };
};

interface Info {
  id: string;
  isDeleted: boolean;
  ownSeason: PartialEntry['season'];
  [value: string]: unknown;
}

const told = ({ ownSeason, isDeleted, season: _season, ...info }: Info): PartialEntry =>
  // What is above it may be in the bin instead.
  ({ ...info, season: ownSeason, ...(!isDeleted && { deletedAt: null }) }) as PartialEntry;

/** All entries that this window knows something of. */
function held(): PartialEntry[] {
  const contents = cached<{ entries: ContentsEntry[]; seasons: { roots: ContentsEntry[] }[] }>('contents');
  return [
    ...contents.flatMap(({ answer }) =>
      [...answer.entries, ...answer.seasons.flatMap(({ roots }) => roots)].map(listed),
    ),
    ...cached<ContentsEntry[]>('notebooks').flatMap(({ answer }) => answer.map(listed)),
    ...cached<Info>('entry').map(({ answer }) => told(answer)),
    ...cached<Info>('page').map(({ answer }) => told(answer)),
  ];
}

/** A list of entries as it is after a change: what is gone from the daily view goes with all beneath it. */
function changedList(entries: Omit<ContentsEntry, 'isOpen'>[], { id, ...change }: ShownChange): void {
  const index = entries.findIndex((entry) => entry.id === id);
  const entry = entries[index];
  if (!entry) return;
  if (change.change === 'name') return void (entry.name = change.name);
  const { values } = change;
  if (values.deletedAt || values.season) {
    const gone = new Set([id]);
    for (const each of entries) if (each.parentId !== null && gone.has(each.parentId)) gone.add(each.id);
    entries.splice(0, entries.length, ...entries.filter((each) => !gone.has(each.id)));
    return;
  }
  for (const [name, value] of Object.entries(values)) if (name in entry) Object.assign(entry, { [name]: value });
}

/** Shows a change in all that this window shows of the entry; gives what takes that back. */
function show(change: ShownChange): () => void {
  const back: (() => void)[] = [];
  const patch = (patched: { undo: () => void }) => back.push(patched.undo);
  for (const { asked } of cached('contents')) {
    const update = api.util.updateQueryData('contents', asked as string, ({ entries }) => changedList(entries, change));
    patch(store.dispatch(update));
  }
  for (const { asked } of cached('beneath')) {
    const wish = asked as { id: string; levels: number };
    patch(store.dispatch(api.util.updateQueryData('beneath', wish, (entries) => changedList(entries, change))));
  }
  patch(store.dispatch(api.util.updateQueryData('notebooks', undefined, (entries) => changedList(entries, change))));
  if (change.change !== 'name') return () => back.forEach((each) => each());
  const { id, name } = change;
  if (name.trim() !== '') {
    const renamed = (info: { id: string; name: string; title: string; trail: { id: string; name: string }[] }) => {
      if (info.id === id) Object.assign(info, { name, title: name });
      for (const step of info.trail) if (step.id === id) step.name = name;
    };
    for (const { asked } of cached('entry')) {
      patch(store.dispatch(api.util.updateQueryData('entry', asked as string, renamed)));
    }
    for (const { asked } of cached('page')) {
      patch(store.dispatch(api.util.updateQueryData('page', asked as string, renamed)));
    }
    const { known } = store.getState().targets;
    const before = Object.values(known).filter(
      (target) => target.id === id || target.trail.some((step) => step.id === id),
    );
    const trail = (steps: (typeof before)[number]['trail']) =>
      steps.map((step) => (step.id === id ? { ...step, name } : step));
    store.dispatch(
      targetsKnown(
        before.map((target) => ({ ...target, trail: trail(target.trail), ...(target.id === id && { title: name }) })),
      ),
    );
    back.push(() => void store.dispatch(targetsKnown(before)));
  }
  return () => back.forEach((each) => each());
}

/** Shows what acts will change, where that is known; gives what takes it back when they are refused. */
export function showAtOnce(acts: readonly Act[]): () => void {
  const changes = planAtOnce(acts, new PartialOutline(held(), new Date().toISOString())) ?? [];
  const back = changes.map(show);
  return () => {
    back.reverse().forEach((each) => each());
    // What came meanwhile may have been taken back with it.
    if (back.length > 0) store.dispatch(api.util.invalidateTags(['Outline', 'Titles']));
  };
}

export { bringText } from '@glossarion/core/acts';
