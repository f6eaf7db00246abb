import { Fragment, type ReactNode } from 'react';
import type { MarkJson, NodeJson } from '@glossarion/core/document';
import { isSafeAddress } from '@glossarion/core/document';
import { LINK_STATE_WORDS } from '@glossarion/core/links';
import { overviewOf } from '@glossarion/core/overview';
import { fileAddress, sizeWords } from '../features/attachments/upload';
import { PageCard } from '../features/cards/PageCard';
import { OverviewList } from '../features/overview/OverviewList';
import { openTarget } from '../features/shell/navigation';
import { linkWords } from '../features/trail/words';
import { useAppSelector } from '../state/store';

/** Bodies and lines shown without an editor: earlier days, glosses, previews. One small part for each node and mark. */

const ITEMS = new Set(['bulleted', 'numbered', 'todo', 'fold']);

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
  tag: (node) => <span className="tag">{String(node.attrs?.name ?? '')}</span>,
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

function words(node: NodeJson): ReactNode {
  const inline = <InlineView node={node} />;
  switch (node.attrs?.kind) {
    case 'heading': {
      const level = Math.max(2, Number(node.attrs.level ?? 2));
      const Heading = `h${level}` as 'h3';
      return (
        <Heading className="words" dir="auto">
          {inline}
        </Heading>
      );
    }
    case 'quote':
      return (
        <blockquote className="words" dir="auto">
          {inline}
        </blockquote>
      );
    default:
      return (
        <div className="words" dir="auto">
          {inline}
        </div>
      );
  }
}

const style = (node: NodeJson) => ({ '--depth': Number(node.attrs?.depth ?? 0) }) as React.CSSProperties;

/** Attachments and cards, as they stand in a page that is only read. */
const SOLIDS: Record<string, (node: NodeJson) => ReactNode> = {
  picture: ({ attrs, ...node }) => (
    <figure className="picture" data-block={attrs?.id as string} style={style({ attrs, ...node })}>
      {attrs?.file ? (
        <img
          src={fileAddress(String(attrs.file), String(attrs.name))}
          alt={String(attrs.alt || attrs.caption || attrs.name)}
          style={{ width: attrs.width ? `${Number(attrs.width)}%` : undefined }}
          loading="lazy"
        />
      ) : null}
      {attrs?.caption ? <figcaption className="caption">{String(attrs.caption)}</figcaption> : null}
    </figure>
  ),
  file: ({ attrs, ...node }) => {
    const address = fileAddress(String(attrs?.file), String(attrs?.name));
    return (
      <div className="file" data-block={attrs?.id as string} style={style({ attrs, ...node })}>
        {String(attrs?.media).startsWith('audio/') && (
          <audio controls preload="none" src={address} aria-label={String(attrs?.name)} />
        )}
        <div className="file-line">
          <a href={address} target="_blank" rel="noopener">
            {String(attrs?.name || 'File')}
          </a>
          <span>{sizeWords(Number(attrs?.size))}</span>
        </div>
        {attrs?.caption ? <div className="caption">{String(attrs.caption)}</div> : null}
      </div>
    );
  },
  card: (node) => (
    <div className="card-block" data-block={node.attrs?.id as string} style={style(node)}>
      <PageCard target={String(node.attrs?.target)} onOpen={openTarget} />
    </div>
  ),
};

export type Tick = (node: NodeJson) => void;

interface BlockTextProps {
  node: NodeJson;
  onTick?: Tick;
  /** The blocks it stands among, for an overview of their headings. */
  content?: readonly NodeJson[];
}

/** One block. To-dos can be ticked where `onTick` is given. */
export function BlockText({ node, onTick, content = [] }: BlockTextProps) {
  const { id, kind, depth, level, state } = (node.attrs ?? {}) as Record<string, string | number | null>;
  const shared = {
    className: 'block',
    'data-depth': depth ?? 0,
    'data-block': id ?? undefined,
    'data-tint': (node.attrs?.tint as string | null) ?? undefined,
    style: { '--depth': depth ?? 0 } as React.CSSProperties,
  };
  if (node.type === 'divider') return <hr {...shared} className="divider" />;
  if (node.type === 'codeBlock') {
    return (
      <pre {...shared}>
        <code>
          <InlineView node={node} />
        </code>
      </pre>
    );
  }
  if (node.type === 'table') return <TableText node={node} />;
  const solid = SOLIDS[node.type];
  if (solid) return solid(node);
  if (node.type === 'overview') {
    return <OverviewList overview={overviewOf(node.attrs)} content={content} onOpen={openTarget} />;
  }
  return (
    <div
      {...shared}
      data-kind={kind}
      data-level={level ?? undefined}
      data-state={state ?? undefined}
      role={ITEMS.has(String(kind)) ? 'listitem' : undefined}
    >
      {kind === 'todo' && (
        <button
          type="button"
          className="box"
          role="checkbox"
          aria-checked={state === 'begun' ? 'mixed' : state === 'done'}
          aria-label={`To-do, ${String(state ?? 'open')}`}
          disabled={!onTick}
          onClick={() => onTick?.(node)}
        />
      )}
      {words(node)}
    </div>
  );
}

function TableText({ node }: { node: NodeJson }) {
  return (
    <table>
      <tbody>
        {(node.content ?? []).map((row, index) => (
          <tr key={index}>
            {(row.content ?? []).map((cell, column) => {
              const Cell = cell.type === 'tableHeader' ? 'th' : 'td';
              return (
                <Cell key={column} data-align={(cell.attrs?.align as string | null) ?? undefined}>
                  {(cell.content ?? []).map((line, place) => (
                    <InlineView key={place} node={line} />
                  ))}
                </Cell>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A whole body; runs of items are lists to a screen reader. */
export function BodyView({ content, onTick }: { content: readonly NodeJson[]; onTick?: Tick }) {
  const groups: { isList: boolean; nodes: NodeJson[] }[] = [];
  for (const node of content) {
    const isList = node.type === 'block' && ITEMS.has(String(node.attrs?.kind));
    const last = groups[groups.length - 1];
    if (last && last.isList === isList) last.nodes.push(node);
    else groups.push({ isList, nodes: [node] });
  }
  return (
    <div className="writing still">
      {groups.map(({ isList, nodes }, index) => (
        <div key={index} role={isList ? 'list' : undefined} className="run">
          {nodes.map((node, place) => (
            <BlockText key={String(node.attrs?.id ?? place)} node={node} onTick={onTick} content={content} />
          ))}
        </div>
      ))}
    </div>
  );
}
