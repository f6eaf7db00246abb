import { useEffect, useRef, type MouseEvent } from 'react';
import { localDay, nearDate } from '@glossarion/core/journal';
import type { ContentsEntry } from '@glossarion/core/outline';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { renaming, sheetOpened, toggledChosen } from '../../state/view';
import { SEASON_HEADS, type ContentsLine } from './contentsLines';
import { chosenOf, rename } from './entryActs';
import { Ornament } from './Ornament';
import { askedByMouse, useDraggable } from './OutlineDragging';

type EntryLine = ContentsLine & { kind: 'entry' };

interface ContentsLineViewProps {
  line: EntryLine;
  isHere: boolean;
  isTabbable: boolean;
  isNarrow: boolean;
  onOpen: () => void;
  onFold: () => void;
}

/** Levels a line is set in by; deeper ones stand beneath each other. */
const SET_IN = { narrow: 3, wide: 6 };

/** One line of the contents: a section's head over a rule, or a page with its number, leader and date. */
export function ContentsLineView({ line, isHere, isTabbable, isNarrow, onOpen, onFold }: ContentsLineViewProps) {
  const { row } = line;
  const { entry } = row;
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.view.chosen);
  const isRenaming = useAppSelector((state) => state.view.renamingId === entry.id);
  const isChosen = chosen?.some((each) => each.id === entry.id) ?? false;
  const { ref, listeners, isDragged } = useDraggable(entry, row.title);
  const isSection = entry.kind === 'section';
  const holdsAny = entry.pagesBeneath + entry.sectionsBeneath > 0;
  const depth = Math.min(row.depth, isNarrow ? SET_IN.narrow : SET_IN.wide);

  const press = (event: MouseEvent) => {
    if (event.metaKey || event.ctrlKey) {
      event.preventDefault();
      return void dispatch(toggledChosen(chosenOf(entry)));
    }
    event.preventDefault();
    if (chosen) dispatch(toggledChosen(chosenOf(entry)));
    else onOpen();
  };
  const openMenu = () => dispatch(sheetOpened({ for: 'entry', entryId: entry.id }));

  const shared = {
    ref,
    ...listeners,
    role: 'treeitem',
    tabIndex: isTabbable ? 0 : -1,
    id: `entry-${entry.id}`,
    'data-key': entry.id,
    'data-entry': entry.id,
    'data-kind': entry.kind,
    'data-parent': entry.parentId ?? '',
    'data-unwritten': (!isSection && isUnwritten(entry)) || undefined,
    'data-dragged': isDragged || undefined,
    'data-aside': line.isAside || undefined,
    'data-deep': row.depth > 2 || undefined,
    'aria-level': row.level,
    'aria-posinset': row.position,
    'aria-setsize': row.siblings,
    'aria-expanded': holdsAny ? entry.isOpen : undefined,
    'aria-selected': isChosen,
    'aria-current': isHere ? ('page' as const) : undefined,
    'aria-label': label(row.title, entry, line.isAside),
    style: { '--depth': depth } as React.CSSProperties,
    onContextMenu: (event: MouseEvent) => askedByMouse(event) && openMenu(),
    onClick: press,
    onDoubleClick: () => (isSection ? dispatch(renaming(entry.id)) : undefined),
  };

  const name = isRenaming ? (
    <NameField entry={entry} title={row.title} />
  ) : (
    <span className="contents-title" dir="auto">
      {row.title}
    </span>
  );
  const tools = (
    <>
      {holdsAny && (
        <button
          type="button"
          tabIndex={-1}
          className="contents-fold"
          aria-label={`${entry.isOpen ? 'Fold' : 'Open'} ${row.title}`}
          onClick={(event) => {
            event.preventDefault();
            event.stopPropagation();
            onFold();
          }}
        >
          {entry.isOpen ? '–' : `+${entry.pagesBeneath + entry.sectionsBeneath}`}
        </button>
      )}
    </>
  );
  const more = (
    <button
      type="button"
      tabIndex={-1}
      className="contents-more"
      aria-label={`What can be done with ${row.title}`}
      onClick={(event) => {
        event.preventDefault();
        event.stopPropagation();
        openMenu();
      }}
    >
      ⋯
    </button>
  );
  const box = chosen && <span className="contents-box" aria-hidden data-chosen={isChosen} />;

  if (isSection) {
    return (
      <div {...shared} className="contents-section">
        {box}
        <span className="contents-roman">{row.folio}</span>
        {name}
        {tools}
        <span className="contents-gap" />
        {more}
        {entry.ornament && <Ornament name={entry.ornament} tone="var(--tone)" />}
      </div>
    );
  }
  return (
    <a {...shared} href={`/p/${entry.id}`} draggable={false} className="contents-page">
      {box}
      <span className="contents-folio">{row.folio}</span>
      {name}
      {tools}
      <span className="contents-leader" aria-hidden />
      <span className="contents-date">{nearDate(localDay(new Date(entry.changedAt)), localDay(new Date()))}</span>
      {more}
    </a>
  );
}

/** Nothing is written on it, and nothing stands beneath it either. */
const isUnwritten = (entry: ContentsEntry): boolean =>
  entry.wordCount === 0 && entry.firstWords === '' && entry.pagesBeneath === 0;

function label(title: string, entry: ContentsEntry, isAside: boolean): string {
  const said = [
    title,
    entry.kind === 'section' ? 'section' : '',
    entry.kind === 'page' && isUnwritten(entry) ? 'not yet written' : '',
    isAside && entry.season ? SEASON_HEADS[entry.season as 'later' | 'aside'].toLowerCase() : '',
  ];
  return said.filter(Boolean).join(', ');
}

/** The name of an entry, written where it stands. Enter keeps it, Esc leaves it as it was. */
function NameField({ entry, title }: { entry: ContentsEntry; title: string }) {
  const dispatch = useAppDispatch();
  const field = useRef<HTMLInputElement>(null);
  const isLeft = useRef(false);
  useEffect(() => {
    field.current?.select();
  }, []);
  const leave = (isKept: boolean) => {
    if (isLeft.current) return;
    isLeft.current = true;
    const item = field.current?.closest<HTMLElement>('[role=treeitem]');
    const name = field.current?.value ?? '';
    dispatch(renaming(null));
    if (isKept) void rename({ ...chosenOf(entry), title: entry.name.trim() ? title : '' }, name);
    requestAnimationFrame(() => item?.focus());
  };
  return (
    <input
      ref={field}
      className="contents-name"
      data-takes-escape
      aria-label={`Name of ${title}`}
      defaultValue={entry.name}
      onClick={(event) => {
        event.preventDefault();
        event.stopPropagation();
      }}
      onBlur={() => leave(true)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') leave(true);
        if (event.key === 'Escape') leave(false);
      }}
    />
  );
}

/** The head of what is for later or laid aside, with how much of it there is. */
export function SeasonHead({
  line,
  isTabbable,
  onFold,
}: {
  line: ContentsLine & { kind: 'season' };
  isTabbable: boolean;
  onFold: () => void;
}) {
  return (
    <div
      role="treeitem"
      aria-level={1}
      aria-expanded={line.isOpen}
      aria-selected={false}
      aria-label={`${SEASON_HEADS[line.season]}, ${line.count}`}
      tabIndex={isTabbable ? 0 : -1}
      data-key={line.key}
      className="contents-season"
      onClick={onFold}
    >
      <span className="contents-title">{SEASON_HEADS[line.season]}</span>
      <span>{line.count}</span>
    </div>
  );
}
