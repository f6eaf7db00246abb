import type { NodeJson } from '../document/types';
import { searchedText, textBlocks } from '../links/ranges';
import { nameKey } from './finder';
import type { NamedAt } from './alsoNamedLine';

/** Those of the places found earlier at which a name still stands in a block. */
export function placesStillNaming(node: NodeJson, places: readonly NamedAt[], keys: ReadonlySet<string>): NamedAt[] {
  const texts = textBlocks(node).map(searchedText);
  return places.filter(([text, start, end]) => {
    const key = nameKey(texts[text]?.slice(start, end) ?? '');
    return key !== null && keys.has(key);
  });
}
