import { useEffect, useMemo } from 'react';
import type { BodyJson } from '@glossarion/core/document';
import { marginLine, namedIn, placeGlosses, type Gloss } from '@glossarion/core/margin';
import { useMarginQuery } from '../../state/api';
import { useAppSelector, wantTargets } from '../../state/store';
import type { Target } from '../../state/types';

export const glossKey = (gloss: Gloss): string => `${gloss.pageId}/${gloss.blockId}`;

/** Glosses that stand beside one line of the page; null for the head. */
export interface GlossGroup {
  lineId: string | null;
  glosses: Gloss[];
}

const titleFrom = (known: Record<string, Target>) => (id: string) => known[id]?.title ?? '';

/** What points at a page, each gloss with the line it speaks to, in the order of the page. */
export function useMargin(
  pageId: string,
  body: BodyJson | null,
): { groups: GlossGroup[]; count: number; isLoading: boolean } {
  const { currentData, isLoading } = useMarginQuery(pageId);
  const known = useAppSelector((state) => state.targets.known);
  const glosses = currentData?.glosses;

  useEffect(() => {
    if (!body) return;
    const missing = namedIn(body.content).links.filter((id) => !known[id]);
    wantTargets(missing);
    // Only what the body names decides what is asked for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [body]);

  const groups = useMemo(() => {
    if (!glosses) return [];
    const titleOf = titleFrom(known);
    const lines = (body?.content ?? []).map((node) => marginLine(pageId, [node], titleOf));
    const references = glosses.map((gloss) => ({
      ...marginLine(pageId, [gloss.node, ...gloss.children], titleOf),
      id: glossKey(gloss),
      pageId: gloss.pageId,
      targetBlockId: gloss.targetBlockId,
    }));
    const placements = placeGlosses(pageId, lines, references);
    const order = new Map<string | null, number>([
      [null, -1],
      ...lines.map((line, index): [string, number] => [line.id, index]),
    ]);
    const grouped = new Map<string | null, Gloss[]>();
    placements.forEach(({ lineId }, index) => grouped.set(lineId, [...(grouped.get(lineId) ?? []), glosses[index]!]));
    return [...grouped]
      .map(([lineId, each]) => ({ lineId, glosses: each }))
      .sort((one, other) => order.get(one.lineId)! - order.get(other.lineId)!);
  }, [glosses, body, known, pageId]);

  return { groups, count: glosses?.length ?? 0, isLoading };
}
