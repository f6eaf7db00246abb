import { useMemo } from 'react';
import { TagTree } from '@glossarion/core/tags';
import { useTagsQuery } from '../../state/api';
import { useTagUsesQuery, type NamedTag } from '../../state/tagQueries';

interface KnownTags {
  /** By their paths. */
  all: readonly NamedTag[];
  tree: TagTree;
  /** How many lines wear a tag itself. */
  linesOf: (id: string) => number;
  isKnown: boolean;
  areCounted: boolean;
}

/** All tags, as they are now, and how often each is worn. */
export function useTags(): KnownTags {
  const { data: all, isSuccess: isKnown } = useTagsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data: uses, isSuccess: areCounted } = useTagUsesQuery();
  return useMemo(() => {
    const counts = new Map(uses?.map(({ tag, lines }) => [tag, lines]));
    return {
      all: all ?? [],
      tree: new TagTree(all ?? []),
      linesOf: (id: string) => counts.get(id) ?? 0,
      isKnown,
      areCounted,
    };
  }, [all, uses, isKnown, areCounted]);
}
