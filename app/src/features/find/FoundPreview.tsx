import { useLayoutEffect, useRef } from 'react';
import { BodyView } from '../../editor';
import { Box } from '../../kit/Box';
import { Line, Said } from '../../kit/Words';
import { whereWords } from '../../screen/words';
import { pigmentColour } from '../../theme/tokens';
import { useGlimpseAroundQuery } from './queries';
import type { ResultRow } from './rows';

/** How far from its top the line stands that was found, as a share of the preview. */
const AT = 0.3;

/** What is chosen among what was found, as it stands on its page. */
export function FoundPreview({ row: { target, blockId } }: { row: ResultRow }) {
  const line = blockId ?? ('blockId' in target ? (target.blockId as string | null) : null);
  const { data } = useGlimpseAroundQuery(line ?? target.id);
  const pane = useRef<HTMLElement>(null);
  useLayoutEffect(() => {
    const held = pane.current;
    const block = line && held?.querySelector<HTMLElement>(`[data-block='${line}']`);
    if (!held || !block) return;
    block.classList.add('found-line');
    held.scrollTop += block.getBoundingClientRect().top - held.getBoundingClientRect().top - held.clientHeight * AT;
  }, [data, line]);
  return (
    <Box
      ref={pane}
      role="region"
      aria-label="Preview"
      look="found-preview"
      tabIndex={0}
      style={{ borderTopColor: pigmentColour(target.day ? null : target.pigment) }}
    >
      <Line look="found-title" dir="auto">
        {target.title}
      </Line>
      <Line look="found-where">
        <Said>{whereWords(target) || target.kind}</Said>
      </Line>
      {data && data.nodes.length > 0 && (
        <Box look="found-body" onClick={(event) => event.preventDefault()}>
          <BodyView content={data.nodes} />
        </Box>
      )}
      {data && data.nodes.length === 0 && <Line look="found-empty">Nothing is written there yet.</Line>}
    </Box>
  );
}
