import { useEffect, useMemo } from 'react';
import { shownIn, type BodyJson } from '@glossarion/core/document';
import { marginLine, placeGlosses, type Gloss, type MarginFilter } from '@glossarion/core/margin';
import type { Target } from '@glossarion/core/links';
import { useAtRest } from '../../kit/Afterwards';
import { useKinQuery, useMarginQuery, useAlsoNamedQuery } from '../../state/api';
import { useAppSelector, wantTargets } from '../../state/store';
import type { MarginView } from '../../state/types';
import { useMarginFilter, useMarginView } from './marginView';

/** How many glosses are set beside their lines; older ones follow as a list, loaded as it is scrolled. */
export const BESIDE = 200;

export const glossKey = (gloss: Gloss): string => `${gloss.pageId}/${gloss.blockId}`;

/** Glosses that stand beside one line of the page; null for the head. */
export interface GlossGroup {
  lineId: string | null;
  glosses: Gloss[];
}

/** Everything the Margin of a page shows, and how it is shown. */
export interface MarginState {
  pageId: string;
  groups: GlossGroup[];
  /** The glosses in their own order, the newest first. */
  glosses: readonly Gloss[];
  /** All lines that point here, and those that the filter leaves. */
  total: number;
  count: number;
  /** Whether it is known yet what points here. */
  isKnown: boolean;
  /** Lines that name the page without a link, and pages alike. */
  alsoNamed: number;
  kin: number;
  filter: MarginFilter;
  view: MarginView;
  change: (changes: MarginView) => void;
}

const NO_GLOSSES: readonly Gloss[] = [];
/** How many lines that name the page are read to begin with. */
export const ALSO_NAMED = 20;

const titleFrom = (known: Record<string, Target>) => (id: string) => known[id]?.title ?? '';

/** What points at a page, each gloss with the line it speaks to, in the order of the page. */
export function useMargin(pageId: string, body: BodyJson | null): MarginState {
  const [view, change] = useMarginView(pageId);
  const filter = useMarginFilter(view);
  const skip = !useAtRest();
  const { data, currentData } = useMarginQuery({ id: pageId, ...filter, limit: BESIDE }, { skip });
  const { currentData: alsoNamed } = useAlsoNamedQuery({ id: pageId, limit: ALSO_NAMED }, { skip });
  const { currentData: kin } = useKinQuery(pageId, { skip });
  const known = useAppSelector((state) => state.targets.known);
  const info = currentData ?? data;
  const glosses = info?.glosses ?? NO_GLOSSES;

  useEffect(() => {
    if (!body) return;
    const missing = shownIn(body.content).filter((id) => !known[id]);
    wantTargets(missing);
    // Only what the body names decides what is asked for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [body]);

  const groups = useMemo(() => placed(pageId, body, glosses, titleFrom(known)), [glosses, body, known, pageId]);
  return {
    pageId,
    groups,
    glosses,
    total: info?.total ?? 0,
    count: info?.count ?? 0,
    isKnown: info !== undefined,
    alsoNamed: alsoNamed?.count ?? 0,
    kin: kin?.kin.length ?? 0,
    filter,
    view,
    change,
  };
}

function placed(
  pageId: string,
  body: BodyJson | null,
  glosses: readonly Gloss[],
  titleOf: (id: string) => string,
): GlossGroup[] {
  if (glosses.length === 0) return [];
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
  placements.forEach(({ lineId }, index) => {
    const group = grouped.get(lineId);
    if (group) group.push(glosses[index]!);
    else grouped.set(lineId, [glosses[index]!]);
  });
  return [...grouped]
    .map(([lineId, each]) => ({ lineId, glosses: each }))
    .sort((one, other) => order.get(one.lineId)! - order.get(other.lineId)!);
}
