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
import { perform } from '../outline/deeds';
import { open, openTarget } from '../shell/navigation';
import { placeWords } from '../trail/words';
import { originOf, opening } from './GlossView';
import { ALSO_NAMED } from './useMargin';

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
  const [limit, setLimit] = useState(ALSO_NAMED);
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
      await perform([linkAct(all)], `${all.length} lines link to “${title}” now.`);
    } catch (error) {
      store.dispatch(noticed({ words: problemSentence(error) }));
    }
  };
  return (
    <section className="margin-foot" aria-label="Also named" id="also-named">
      <h3>
        Also named <span>{count}</span>
        <button type="button" onClick={() => void linkAll()}>
          Link them all
        </button>
      </h3>
      {lines.map((line) => {
        const { words, detail } = originOf(line);
        const address = `/b/${line.blockId}`;
        return (
          <article
            key={`${line.pageId}/${line.blockId}`}
            className="gloss"
            aria-label={words}
            style={{ borderInlineStartColor: pigmentColour(line.day ? null : line.pigment) }}
          >
            <a className="gloss-origin" href={address} onClick={opening(() => open(address))}>
              {words}
              {detail && <span className="gloss-detail"> {detail}</span>}
            </a>
            <div className="gloss-line" dir="auto">
              {markedPieces(line.node, line.places).map(({ words: piece, isMarked }, index) =>
                isMarked ? <mark key={index}>{piece}</mark> : <span key={index}>{piece}</span>,
              )}
            </div>
            <div className="also-named-acts">
              <button type="button" onClick={() => void link(line)}>
                Link
              </button>
              <button type="button" onClick={() => void leave(line)}>
                Never here
              </button>
            </div>
          </article>
        );
      })}
      {lines.length < count && (
        <button type="button" className="margin-more" onClick={() => setLimit(Math.min(limit + 100, 500))}>
          {count - lines.length} more
        </button>
      )}
    </section>
  );
}

function KinList({ pageId }: { pageId: string }) {
  const { data } = useKinQuery(pageId);
  if (!data || data.kin.length === 0) return null;
  return (
    <section className="margin-foot" aria-label="Kin">
      <h3>Kin</h3>
      {data.kin.map(({ target, words, links, tags }) => (
        <article
          key={target.id}
          className="gloss"
          aria-label={target.title}
          style={{ borderInlineStartColor: pigmentColour(target.pigment) }}
        >
          <a className="kin-title" href={`/to/${target.id}`} onClick={opening(() => openTarget(target.id))}>
            {target.title}
          </a>
          <span className="gloss-detail"> {placeWords(target)}</span>
          <div className="kin-why">{whyWords(words, links, tags)}</div>
        </article>
      ))}
    </section>
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
