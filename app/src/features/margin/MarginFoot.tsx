import { useState } from 'react';
import type { NodeJson } from '@glossarion/core/document';
import { searchedText, textBlocks } from '@glossarion/core/links';
import type { Act } from '@glossarion/core/acts';
import { MAX_ACTS } from '@glossarion/core/outline';
import type { AlsoNamedLine } from '@glossarion/core/alsoNamed';
import { api, problemSentence, useKinQuery, useAlsoNamedQuery } from '../../state/api';
import { ask, FRESH, store } from '../../state/store';
import { noticed } from '../../state/view';
import { pigmentColour } from '../../theme/tokens';
import { perform } from '../../state/deeds';
import { open, openTarget } from '../../screen/navigation';
import { placeWords } from '../../screen/words';
import { originOf } from './origin';
import { FOOT } from './useMargin';
import { Box } from '../../kit/Box';
import { Heading, Line, Mark, Said } from '../../kit/Words';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';

interface MarginFootProps {
  pageId: string;
  title: string;
  /** The day, when the page is a day’s. */
  day?: string | null;
}

/** What stands at the Margin's foot: what names the page without a link, and the pages most like it. */
export function MarginFoot({ pageId, title, day = null }: MarginFootProps) {
  return (
    <>
      <AlsoNamedList pageId={pageId} title={title} day={day} />
      <KinList pageId={pageId} />
    </>
  );
}

/** Words of a line around the places that name the page, the places marked. */
function markedPieces(node: NodeJson, places: AlsoNamedLine['places']): { words: string; isMarked: boolean }[] {
  const AROUND = 70;
  const [first] = places;
  const text = first ? searchedText(textBlocks(node)[first[0]] ?? node).replaceAll('\uFFFC', '…') : '';
  const inText = places.filter(([index]) => index === first?.[0]);
  const from = Math.max(0, (first?.[1] ?? 0) - AROUND);
  const to = Math.min(text.length, (inText.at(-1)?.[2] ?? 0) + AROUND);
  const pieces: { words: string; isMarked: boolean }[] = [];
  let at = from;
  for (const [, start, end] of inText) {
    pieces.push({ words: (at === from && from > 0 ? '…' : '') + text.slice(at, start), isMarked: false });
    pieces.push({ words: text.slice(start, end), isMarked: true });
    at = end;
  }
  pieces.push({ words: text.slice(at, to) + (to < text.length ? '…' : ''), isMarked: false });
  return pieces;
}

function AlsoNamedList({ pageId, title, day }: Required<MarginFootProps>) {
  const [limit, setLimit] = useState(FOOT);
  const { data } = useAlsoNamedQuery({ id: pageId, limit });
  if (!data || data.count === 0) return null;
  const { lines, count } = data;
  const linkAct = (some: readonly AlsoNamedLine[]): Act => ({
    do: 'linkNames',
    id: pageId,
    ...(day && { day }),
    places: some.map(({ pageId: onPage, blockId }) => ({ pageId: onPage, blockId })),
  });
  const link = (line: AlsoNamedLine) => perform([linkAct([line])], `“${line.pageTitle}” links here now.`);
  const leave = ({ pageId: onPage, blockId }: AlsoNamedLine) =>
    perform(
      [{ do: 'leaveUnlinked', id: pageId, pageId: onPage, blockId, isLeft: true }],
      'That line is not offered again.',
    );
  const linkAll = async () => {
    try {
      const { lines: all } = await ask(api.endpoints.alsoNamed.initiate({ id: pageId, limit: MAX_ACTS }, FRESH));
      await perform(
        [linkAct(all)],
        `${all.length === 1 ? 'A line links' : `${all.length} lines link`} to “${title}” now.`,
      );
    } catch (error) {
      store.dispatch(noticed({ words: problemSentence(error) }));
    }
  };
  return (
    <Box role="region" look="margin-foot" aria-label="Also named" id="also-named">
      <Heading level={3}>
        Also named <Said>{count}</Said>
        <Tap onPress={() => void linkAll()}>Link them all</Tap>
      </Heading>
      {lines.map((line) => {
        const { words, detail } = originOf(line);
        const address = `/b/${line.blockId}`;
        return (
          <Box
            role="article"
            key={`${line.pageId}/${line.blockId}`}
            look="gloss"
            aria-label={words}
            style={{ borderInlineStartColor: pigmentColour(line.day ? null : line.pigment) }}
          >
            <Way look="gloss-origin" to={address} onOpen={() => open(address)}>
              {words}
              {detail && <Said look="gloss-detail"> {detail}</Said>}
            </Way>
            <Box look="gloss-line" dir="auto">
              {markedPieces(line.node, line.places).map(({ words: piece, isMarked }, index) =>
                isMarked ? <Mark key={index}>{piece}</Mark> : <Said key={index}>{piece}</Said>,
              )}
            </Box>
            <Box look="also-named-acts">
              <Tap onPress={() => void link(line)}>Link</Tap>
              <Tap onPress={() => void leave(line)}>Never here</Tap>
            </Box>
          </Box>
        );
      })}
      {lines.length < count && (
        <Tap look="margin-more" onPress={() => setLimit(Math.min(limit + 100, 500))}>
          {count - lines.length} more
        </Tap>
      )}
    </Box>
  );
}

function KinList({ pageId }: { pageId: string }) {
  const { data } = useKinQuery(pageId);
  const [isWhole, setWhole] = useState(false);
  if (!data || data.kin.length === 0) return null;
  const shown = isWhole ? data.kin : data.kin.slice(0, FOOT);
  return (
    <Box role="region" look="margin-foot" aria-label="Kin">
      <Heading level={3}>Kin</Heading>
      {shown.map(({ target, words, links, tags }) => (
        <Box
          role="article"
          key={target.id}
          look="gloss"
          aria-label={target.title}
          style={{ borderInlineStartColor: pigmentColour(target.pigment) }}
        >
          <Way look="kin-title" to={`/to/${target.id}`} onOpen={() => openTarget(target.id)}>
            {target.title}
          </Way>
          <Said look="gloss-detail"> {placeWords(target)}</Said>
          <Line look="kin-why">{whyWords(words, links, tags)}</Line>
        </Box>
      ))}
      {shown.length < data.kin.length && (
        <Tap look="margin-more" onPress={() => setWhole(true)}>
          {data.kin.length - shown.length} more
        </Tap>
      )}
    </Box>
  );
}

/** Why two pages are alike, in words. */
function whyWords(words: readonly string[], links: readonly string[], tags: readonly string[]): string {
  return [
    words.length > 0 ? `both say ${words.join(', ')}` : '',
    links.length > 0 ? `both linked with ${links.join(', ')}` : '',
    tags.length > 0 ? `both tagged ${tags.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join('; ');
}
