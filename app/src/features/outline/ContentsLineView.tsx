import type { MouseEvent } from 'react';
import { localDay, nearDate } from '@glossarion/core/journal';
import type { ContentsEntry } from '@glossarion/core/outline';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { renaming, sheetOpened, toggledChosen } from '../../state/view';
import { SEASON_HEADS, type ContentsLine } from './contentsLines';
import { chosenOf, rename } from './entryActs';
import { Ornament } from './Ornament';
import { askedByMouse, useDraggable } from './OutlineDragging';
import { Said } from '../../kit/Words';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Box } from '../../kit/Box';
import { InlineField } from '../../kit/InlineField';

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
    event.preventDefault();
    if (event.shiftKey || event.metaKey || event.ctrlKey) return void dispatch(toggledChosen(chosenOf(entry)));
    if (isSection && event.detail === 2) return void dispatch(renaming(entry.id));
    if (chosen) dispatch(toggledChosen(chosenOf(entry)));
    else onOpen();
  };
  const openMenu = () => dispatch(sheetOpened({ for: 'entry', entryId: entry.id }));

  const shared = {
    ref,
    ...listeners,
    role: 'treeitem',
    tabIndex: isTabbable ? (0 as const) : (-1 as const),
    id: `entry-${entry.id}`,
    dataSet: {
      key: entry.id,
      entry: entry.id,
      kind: entry.kind,
      parent: entry.parentId ?? '',
      unwritten: (!isSection && isUnwritten(entry)) || undefined,
      dragged: isDragged || undefined,
      aside: line.isAside || undefined,
      deep: row.depth > 2 || undefined,
    },
    'aria-level': row.level,
    'aria-posinset': row.position,
    'aria-setsize': row.siblings,
    'aria-expanded': holdsAny ? entry.isOpen : undefined,
    'aria-selected': isChosen,
    'aria-current': isHere ? ('page' as const) : undefined,
    'aria-label': label(row.title, entry, line.isAside),
    style: { '--depth': String(depth) },
    onContextMenu: (event: MouseEvent) => askedByMouse(event) && openMenu(),
  };

  const name = isRenaming ? (
    <NameField entry={entry} title={row.title} />
  ) : (
    <Said look="contents-title" dir="auto">
      {row.title}
    </Said>
  );
  const tools = (
    <>
      {holdsAny && (
        <Tap
          tabIndex={-1}
          look="contents-fold"
          aria-label={`${entry.isOpen ? 'Fold' : 'Open'} ${row.title}`}
          onPress={(event) => {
            event.preventDefault();
            event.stopPropagation();
            onFold();
          }}
        >
          {entry.isOpen ? '–' : `+${entry.pagesBeneath + entry.sectionsBeneath}`}
        </Tap>
      )}
    </>
  );
  const more = (
    <Tap
      tabIndex={-1}
      look="contents-more"
      aria-label={`What can be done with ${row.title}`}
      onPress={(event) => {
        event.preventDefault();
        event.stopPropagation();
        openMenu();
      }}
    >
      ⋯
    </Tap>
  );
  const box = chosen && <Box look="contents-box" aria-hidden dataSet={{ chosen: isChosen }} />;

  if (isSection) {
    return (
      <Box {...shared} look="contents-section" onClick={press}>
        {box}
        <Said look="contents-roman">{row.folio}</Said>
        {name}
        {tools}
        <Box look="contents-gap" />
        {more}
        {entry.ornament && <Ornament name={entry.ornament} tone="var(--tone)" />}
      </Box>
    );
  }
  return (
    <Way {...shared} to={`/p/${entry.id}`} onOpen={press} look="contents-page">
      {box}
      <Said look="contents-folio">{row.folio}</Said>
      {name}
      {tools}
      <Box look="contents-leader" aria-hidden />
      <Said look="contents-date">{nearDate(localDay(new Date(entry.changedAt)), localDay(new Date()))}</Said>
      {more}
    </Way>
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

/** The name of an entry, written where it stands. */
function NameField({ entry, title }: { entry: ContentsEntry; title: string }) {
  const dispatch = useAppDispatch();
  const done = (name: string | null) => {
    dispatch(renaming(null));
    if (name !== null) void rename({ ...chosenOf(entry), title: entry.name.trim() ? title : '' }, name);
    requestAnimationFrame(() => document.getElementById(`entry-${entry.id}`)?.focus());
  };
  return (
    <InlineField label={`Name of ${title}`} initial={entry.name} look="contents-name" isKeptOnLeaving onDone={done} />
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
    <Box
      role="treeitem"
      aria-level={1}
      aria-expanded={line.isOpen}
      aria-selected={false}
      aria-label={`${SEASON_HEADS[line.season]}, ${line.count}`}
      tabIndex={isTabbable ? 0 : -1}
      look="contents-season"
      onClick={onFold}
      dataSet={{ key: line.key }}
    >
      <Said look="contents-title">{SEASON_HEADS[line.season]}</Said>
      <Said>{line.count}</Said>
    </Box>
  );
}
