import { Link } from 'expo-router';
import { Pressable, View } from 'react-native';
import { localDay, nearDate } from '@glossarion/core/journal';
import type { ContentsEntry } from '../../state/types';
import { colour, measure, pigmentColour, type SpineName } from '../../theme/tokens';
import { Words } from '../shell/Words';
import { Ornament } from './Ornament';
import { contentsRows, type ContentsRow } from './rows';

interface ContentsListProps {
  notebookId: string;
  pigment: SpineName | null;
  entries: readonly ContentsEntry[];
  hereId: string | null;
  isNarrow?: boolean;
  /** Opens what can be done with a section. */
  onMore?: (entry: ContentsEntry) => void;
}

/** A notebook's tree, set like a book's table of contents. */
export function ContentsList({ notebookId, pigment, entries, hereId, isNarrow, onMore }: ContentsListProps) {
  const rows = contentsRows(notebookId, entries);
  const tone = pigmentColour(pigment);
  return (
    <View>
      {rows.map((row) =>
        row.entry.kind === 'section' ? (
          <SectionHead key={row.entry.id} row={row} tone={tone} isNarrow={isNarrow} onMore={onMore} />
        ) : (
          <PageLine key={row.entry.id} row={row} isHere={row.entry.id === hereId} isNarrow={isNarrow} />
        ),
      )}
    </View>
  );
}

interface SectionHeadProps {
  row: ContentsRow;
  tone: string;
  isNarrow?: boolean;
  onMore?: (entry: ContentsEntry) => void;
}

function SectionHead({ row, tone, isNarrow, onMore }: SectionHeadProps) {
  const { entry } = row;
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'flex-end',
        gap: 8,
        marginTop: isNarrow ? 12 : 16,
        marginBottom: 3,
        marginLeft: row.depth * 12,
        paddingBottom: 3,
        borderBottomWidth: row.depth === 0 ? (isNarrow ? 1 : 2) : 1,
        borderBottomColor: tone,
        borderStyle: row.depth === 0 ? 'solid' : 'dotted',
      }}
    >
      <Words
        face="capitals"
        size={isNarrow ? 17 : 19}
        weight="700"
        tone={tone}
        style={{ flex: 1, letterSpacing: 0.8, textTransform: 'lowercase' }}
        role="heading"
        aria-level={Math.min(6, row.depth + 2)}
      >
        <Words face="interface" size={isNarrow ? 16 : 18} weight="700" tone={tone} style={{ textTransform: 'none' }}>
          {row.folio}
          {'\u2002'}
        </Words>
        {row.title}
      </Words>
      {onMore && (
        <Pressable
          role="button"
          aria-label={`Change ${row.title}`}
          onPress={() => onMore(entry)}
          style={{ minHeight: 32, minWidth: measure.touch, alignItems: 'flex-end', justifyContent: 'center' }}
        >
          <Words size={15} tone={colour.soft}>
            Change
          </Words>
        </Pressable>
      )}
      {entry.ornament && <Ornament name={entry.ornament} tone={tone} />}
    </View>
  );
}

function PageLine({ row, isHere, isNarrow }: { row: ContentsRow; isHere: boolean; isNarrow?: boolean }) {
  const { entry } = row;
  const tone = isHere ? colour.vermilion : colour.ink;
  const size = isNarrow ? 16 : 18;
  const changed = nearDate(localDay(new Date(entry.changedAt)), localDay(new Date()));
  return (
    <Link href={`/p/${entry.id}` as never} asChild>
      <Pressable
        role="link"
        aria-current={isHere ? 'page' : undefined}
        style={{
          flexDirection: 'row',
          alignItems: 'baseline',
          gap: 6,
          minHeight: isNarrow ? 30 : measure.touch,
          paddingVertical: isNarrow ? 4 : 9,
          paddingLeft: Math.min(row.depth, isNarrow ? 3 : 6) * (isNarrow ? 16 : 28),
        }}
      >
        <Words
          size={size - 1}
          tone={isHere ? colour.vermilion : colour.soft}
          style={{ minWidth: (isNarrow ? 20 : 30) + row.depth * 6, flexShrink: 0 }}
        >
          {row.folio}
        </Words>
        <Words
          size={size}
          weight={isHere ? '700' : '400'}
          tone={entry.wordCount === 0 && entry.childCount === 0 && !isHere ? colour.ochre : tone}
          style={{ flexShrink: 1, minWidth: 0, fontStyle: entry.name.trim() ? 'normal' : 'italic' }}
        >
          {row.title}
        </Words>
        <View
          style={{
            flex: 1,
            minWidth: 10,
            borderBottomWidth: 1,
            borderStyle: 'dotted',
            borderColor: colour.leader,
            transform: [{ translateY: -4 }],
          }}
        />
        <Words
          size={14}
          weight={isHere ? '700' : '400'}
          tone={isHere ? colour.vermilion : colour.soft}
          style={{ flexShrink: 0, whiteSpace: 'nowrap' } as never}
        >
          {changed}
        </Words>
      </Pressable>
    </Link>
  );
}
