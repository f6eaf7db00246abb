import { Fragment, type ReactNode } from 'react';
import { isSafeAddress, type MarkJson, type NodeJson } from '@glossarion/core/document';
import { LINK_STATE_WORDS } from '@glossarion/core/links';
import { tagAddress } from '../screen/navigation';
import { linkWords, tagWords } from '../screen/words';
import { useAppSelector } from '../state/store';

/** Lines shown without an editor: one small part for each mark and each node within a line. */

function LinkText({ target, words }: { target: string; words: string | null }) {
  const known = useAppSelector((state) => state.targets.known[target]);
  const state = known?.state ?? 'written';
  const shown = words || linkWords(known);
  const said = LINK_STATE_WORDS[state];
  return (
    <a
      className="link"
      href={`/to/${target}`}
      data-target={target}
      data-state={state}
      aria-label={said ? `${shown}, ${said}` : undefined}
    >
      {shown}
    </a>
  );
}

/** A tag by its present name. */
export function TagText({ tag, name }: { tag: string; name?: unknown }) {
  const known = useAppSelector((state) => state.targets.known[tag]);
  const words = tagWords(known, name);
  if (!known || known.state !== 'written' || typeof name === 'string')
    return (
      <span className="tag" data-state={known?.state}>
        {words}
      </span>
    );
  return (
    <a
      className="tag"
      href={tagAddress(known.pageId)}
      data-target={tag}
      data-pigment={known.pigment ?? undefined}
      aria-label={`${words}, a tag`}
    >
      {words}
    </a>
  );
}

const MARKS: Record<string, (children: ReactNode, mark: MarkJson) => ReactNode> = {
  bold: (children) => <strong>{children}</strong>,
  italic: (children) => <em>{children}</em>,
  underline: (children) => <u>{children}</u>,
  strike: (children) => <s>{children}</s>,
  code: (children) => <code>{children}</code>,
  highlight: (children, mark) => <mark data-pigment={String(mark.attrs?.pigment ?? 'ochre')}>{children}</mark>,
  webLink: (children, mark) =>
    isSafeAddress(mark.attrs?.href) ? (
      <a href={String(mark.attrs?.href)} rel="noopener noreferrer" target="_blank">
        {children}
      </a>
    ) : (
      children
    ),
};

const INLINE: Record<string, (node: NodeJson) => ReactNode> = {
  text: (node) =>
    (node.marks ?? []).reduce<ReactNode>((children, mark) => MARKS[mark.type]?.(children, mark) ?? children, node.text),
  hardBreak: () => <br />,
  tag: (node) => <TagText tag={String(node.attrs?.tag)} name={node.attrs?.name} />,
  pageLink: (node) => (
    <LinkText
      target={String(node.attrs?.target)}
      words={typeof node.attrs?.words === 'string' ? node.attrs.words : null}
    />
  ),
};

/** The words of a line with its links, tags and styles. */
export function InlineView({ node }: { node: NodeJson }) {
  return (
    <>
      {(node.content ?? []).map((child, index) => (
        <Fragment key={index}>{INLINE[child.type]?.(child) ?? <InlineView node={child} />}</Fragment>
      ))}
    </>
  );
}
