import { In, type EntityManager } from 'typeorm';
import type { FoundCount, FoundCounts } from '@glossarion/core/find';
import type { KindTree } from '@glossarion/core/kinds';
import type { Target } from '@glossarion/core/links';
import type { TagTree } from '@glossarion/core/tags';
import { KindUseEntity, TagUseEntity } from '../../entities';

/** Counts by name, those of most first. */
class Counts {
  private counts = new Map<string, number>();

  add(value: string | null | undefined): void {
    if (value) this.counts.set(value, (this.counts.get(value) ?? 0) + 1);
  }

  list(): FoundCount[] {
    return [...this.counts]
      .map(([value, count]) => ({ value, count }))
      .sort((one, other) => other.count - one.count || (one.value < other.value ? -1 : 1));
  }
}

/** Where something stands, as the filter of places calls it. */
function placeOf({ day, standsIn, trail, title, kind }: Target): string {
  if (day !== null || standsIn === 'journal') return 'Journal';
  if (standsIn === 'tray') return 'Tray';
  return trail[0]?.name ?? (kind === 'notebook' ? title : '');
}

/** Counts pages that were found by their notebooks, kinds and tags; a kind counts for its broader ones too. */
export async function countsOf(
  manager: EntityManager,
  found: readonly Target[],
  isMore: boolean,
  tags: TagTree,
  kinds: KindTree,
): Promise<FoundCounts> {
  const where = { documentId: In(found.map(({ id }) => id)) };
  const [places, ofKinds, withTags] = [new Counts(), new Counts(), new Counts()];
  for (const target of found) places.add(placeOf(target));
  const once = (rows: readonly { documentId: string; names: readonly string[] }[], counts: Counts) => {
    const byDocument = new Map<string, Set<string>>();
    for (const { documentId, names } of rows) {
      const own = byDocument.get(documentId) ?? new Set();
      names.forEach((name) => own.add(name));
      byDocument.set(documentId, own);
    }
    for (const names of byDocument.values()) names.forEach((name) => counts.add(name));
  };
  const kindRows = await manager.findBy(KindUseEntity, where);
  once(
    kindRows.map(({ documentId, kind }) => ({ documentId, names: kinds.namesOf([kind]) })),
    ofKinds,
  );
  const tagRows = await manager.findBy(TagUseEntity, where);
  once(
    tagRows.map(({ documentId, tag }) => ({ documentId, names: tags.isGone(tag) ? [] : [tags.nameOf(tag)!] })),
    withTags,
  );
  return {
    total: found.length,
    isMore,
    places: places.list(),
    kinds: ofKinds.list(),
    tags: withTags.list(),
  };
}
