import type { Target } from '@glossarion/core/links';
import { tagKey, tagPath, type Tag } from '@glossarion/core/tags';
import { api } from '../state/api';
import { ask, FRESH, store } from '../state/store';
import { targetsKnown } from '../state/targets';

/** The tags there are, as they were just now: asked for when a tag is begun, so that its id is known when it is whole. */

export type ListedTag = Tag & { path: string };

/** What came longer ago than this may be called otherwise meanwhile, in milliseconds. */
const TRUSTED_FOR = 15_000;
/** Nothing is asked again before this. */
const ASKED_AFTER = 5_000;

/** What came last for this account, with the moments at which it came and at which it was asked for last. */
const listed = () => {
  const { data = [], fulfilledTimeStamp, startedTimeStamp } = api.endpoints.tags.select()(store.getState());
  return { tags: data as readonly ListedTag[], cameAt: fulfilledTimeStamp ?? 0, askedAt: startedTimeStamp ?? 0 };
};

/** Asks which tags there are; without an answer a tag that is typed has an id of its own until it is stored. */
export function prepareTags(): void {
  if (Date.now() - listed().askedAt > ASKED_AFTER)
    ask(api.endpoints.tags.initiate(undefined, FRESH)).catch(() => undefined);
}

/** What a tag shows wherever it is worn. */
export const targetOfTag = ({ id, path, pigment }: ListedTag): Target => ({
  id,
  kind: 'tag',
  pageId: id,
  title: path,
  state: 'written',
  season: 'now',
  trail: [],
  pigment,
  day: null,
  standsIn: null,
});

/** The id of the tag that is called so; null when none is, or when it is not known for certain. */
export function knownTag(name: string): string | null {
  const { tags, cameAt } = listed();
  if (Date.now() - cameAt > TRUSTED_FOR) return null;
  const wanted = tagKey(tagPath(name));
  const tag = tags.find(({ path }) => tagKey(tagPath(path)) === wanted);
  if (!tag) return null;
  // It is shown by its name at once.
  store.dispatch(targetsKnown([targetOfTag(tag)]));
  return tag.id;
}
