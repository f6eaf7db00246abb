import { isHeading, shownWords, textKindOf, type NodeJson } from '@glossarion/core/document';
import { LINK_STATE_WORDS } from '@glossarion/core/links';
import { usePageQuery } from '../../state/api';
import { useEffect } from 'react';
import { useAppSelector, wantTargets } from '../../state/store';
import { fileAddress } from '../../state/upload';
import { linkWords } from '../../screen/words';

const FIRST_LINES = 3;

/** The first words of a body beside its headings, for a glance. */
function firstWords(content: readonly NodeJson[]): string {
  return content
    .filter((node) => textKindOf(node) && !isHeading(node))
    .map((node) => shownWords(node, () => '…').trim())
    .filter(Boolean)
    .slice(0, FIRST_LINES)
    .join(' ');
}

/** A page at a glance: its title, its picture and its first words. */
export function PageCard({ target, onOpen }: { target: string; onOpen: (target: string) => void }) {
  const known = useAppSelector((state) => state.targets.known[target]);
  const isKnown = known !== undefined;
  useEffect(() => {
    if (!isKnown) wantTargets([target]);
  }, [target, isKnown]);
  const state = known?.state ?? 'written';
  const isThere = state !== 'gone' && known?.kind !== 'notebook' && known?.kind !== 'section';
  const { data: page } = usePageQuery(known?.pageId ?? target, { skip: !isThere });
  const content = page?.body.content ?? [];
  const picture = content.find((node) => node.type === 'picture' && node.attrs?.file);
  const said = LINK_STATE_WORDS[state];
  const title = linkWords(known);
  return (
    <a
      className="page-card link"
      href={`/to/${target}`}
      data-target={target}
      data-state={state}
      aria-label={said ? `${title}, ${said}` : title}
      onClick={(event) => {
        if (event.metaKey || event.ctrlKey) return;
        event.preventDefault();
        event.stopPropagation();
        onOpen(target);
      }}
    >
      {picture && (
        <img
          src={fileAddress(String(picture.attrs?.file), String(picture.attrs?.name ?? ''))}
          alt={String(picture.attrs?.alt ?? '')}
        />
      )}
      <span className="page-card-words">
        <span className="page-card-title">{title}</span>
        <span className="page-card-text">{firstWords(content)}</span>
      </span>
    </a>
  );
}
