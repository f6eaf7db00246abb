import { useEffect, useMemo } from 'react';
import { ownWords, shownWords, type BodyJson, type NodeJson } from '@glossarion/core/document';
import { placeGlosses, type Gloss, type MarginLine } from '@glossarion/core/margin';
import { normalizeTag } from '@glossarion/core/tags';
import { useMarginQuery } from '../../state/api';
import { useAppSelector, wantTargets } from '../../state/store';
import type { Target } from '../../state/types';

export const glossKey = (gloss: Gloss): string => `${gloss.pageId}/${gloss.blockId}`;

/** Glosses that stand beside one line of the page; null for the head. */
export interface GlossGroup {
  lineId: string | null;
  glosses: Gloss[];
}

function namedIn(node: NodeJson): { links: string[]; tags: string[] } {
  const links: string[] = [];
  const tags: string[] = [];
  const walk = (each: NodeJson): void => {
    if (each.type === 'pageLink') links.push(String(each.attrs?.target));
    if (each.type === 'tag') tags.push(normalizeTag(String(each.attrs?.name)));
    each.content?.forEach(walk);
  };
  walk(node);
  return { links, tags };
}

const titleFrom = (known: Record<string, Target>) => (id: string) => known[id]?.title ?? '';

/** Lines of a body as far as placing needs them. */
export function marginLines(body: BodyJson, titleOf: (id: string) => string): MarginLine[] {
  return body.content
    .filter((node) => ownWords(node) !== '' || node.content)
    .map((node) => ({
      id: String(node.attrs?.id),
      words: shownWords(node, titleOf),
      isHeading: node.attrs?.kind === 'heading',
      ...namedIn(node),
    }));
}

/** What points at a page, each gloss with the line it speaks to, in the order of the page. */
export function useMargin(pageId: string, body: BodyJson | null): { groups: GlossGroup[]; count: number; isLoading: boolean } {
  const { currentData, isLoading } = useMarginQuery(pageId);
  const known = useAppSelector((state) => state.targets.known);
  const glosses = currentData?.glosses;

  useEffect(() => {
    if (!body) return;
    const missing = body.content.flatMap((node) => namedIn(node).links).filter((id) => !known[id]);
    wantTargets(missing);
    // Only what the body names decides what is asked for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [body]);

  const groups = useMemo(() => {
    if (!glosses) return [];
    const titleOf = titleFrom(known);
    const lines = body ? marginLines(body, titleOf) : [];
    const placements = placeGlosses(
      pageId,
      lines,
      glosses.map((gloss) => ({
        id: glossKey(gloss),
        words: [gloss.node, ...gloss.children].map((node) => shownWords(node, titleOf)).join(' '),
        links: gloss.links,
        tags: gloss.tags.map(normalizeTag),
        targetBlockId: gloss.targetBlockId,
      })),
    );
    const order = new Map<string | null, number>([[null, -1], ...lines.map((line, index): [string, number] => [line.id, index])]);
    const grouped = new Map<string | null, Gloss[]>();
    placements.forEach(({ lineId }, index) => grouped.set(lineId, [...(grouped.get(lineId) ?? []), glosses[index]!]));
    return [...grouped]
      .map(([lineId, each]) => ({ lineId, glosses: each }))
      .sort((one, other) => order.get(one.lineId)! - order.get(other.lineId)!);
  }, [glosses, body, known, pageId]);

  return { groups, count: glosses?.length ?? 0, isLoading };
}
