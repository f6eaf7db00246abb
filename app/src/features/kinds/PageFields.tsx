import { useEffect, useState, type KeyboardEvent } from 'react';
import { writeField, type Content } from '@glossarion/core/document';
import type { Field, Holding, KindTree, Value } from '@glossarion/core/kinds';
import { FIELD_ORIGIN, type PageDocument } from '../../documents/pageDocument';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Line, Said } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { linkWords } from '../../screen/words';
import { useAppDispatch, useAppSelector, wantTargets } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { pigmentColour } from '../../theme/tokens';
import { computed } from './computed';
import { FieldName, FieldValue } from './FieldValue';
import { useKinds } from './known';
import { unreadIn } from './unread';
import { useBeside } from './useBeside';

interface Row {
  field: Field;
  content: Content;
  holding: Holding;
  isFilled: boolean;
}

const isKept = ({ kept }: Holding): boolean => Object.keys(kept).length > 0;

function rowsOf(kinds: KindTree, kindIds: readonly string[], fields: Readonly<Record<string, Content>>): Row[] {
  const { isFilled, readHolding } = computed();
  return kinds.fieldsOfPage(kindIds, Object.keys(fields)).map((field) => {
    const content = fields[field.id] ?? {};
    const holding = readHolding(content, field);
    return { field, content, holding, isFilled: isFilled(holding) || isKept(holding) };
  });
}

/** What a page is and says of itself, beneath its title: filled fields first, written in place. */
export function PageFields({ page }: { page: PageDocument }) {
  const { kinds: kindIds, fields } = useBeside(page);
  const kinds = useKinds();
  const rows = rowsOf(kinds, kindIds, fields);
  const [openId, setOpenId] = useState(
    () => rows.find(({ field }) => unreadIn(page.pageId, field.id) !== null)?.field.id ?? null,
  );
  const named = rows.flatMap(({ holding }) => [...holding.pages, ...(holding.kept.pages ?? [])]);
  const wanted = named.join(' ');
  useEffect(() => wantTargets(wanted === '' ? [] : wanted.split(' ')), [wanted]);

  const write = ({ field }: Row, next: Content) => {
    // What is typed in a text is taken back as it was typed, all else by itself.
    const isTyped = field.type === 'text';
    if (!isTyped) page.undoManager.stopCapturing();
    writeField(page.document, field.id, next, FIELD_ORIGIN);
    if (!isTyped) page.undoManager.stopCapturing();
  };
  const writeValue = (row: Row, value: Value) => write(row, computed().withValue(row.content, row.field, value));
  // A field that was empty when it was opened keeps its place until one leaves it.
  const shown = rows.filter(({ field, isFilled }) => isFilled || field.id === openId);
  const empty = rows.filter(({ field, isFilled }) => !isFilled && field.id !== openId);
  const onKeyDown = (event: KeyboardEvent) => {
    const isUndo = (event.ctrlKey || event.metaKey) && !event.altKey && event.key.toLowerCase() === 'z';
    if (!isUndo || event.target instanceof HTMLInputElement) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.shiftKey) page.undoManager.redo();
    else page.undoManager.undo();
  };
  return (
    <Box look="fields" role="group" aria-label="What this page is" onKeyDown={onKeyDown}>
      <PageKinds pageId={page.pageId} kinds={kinds} kindIds={kindIds} />
      {shown.map((row) => (
        <Box look="field" key={row.field.id}>
          <FieldName field={row.field} holding={row.holding} onOpen={() => setOpenId(row.field.id)} />
          <Box look="field-value">
            <FieldValue
              page={page}
              field={row.field}
              holding={row.holding}
              isOpen={openId === row.field.id}
              onOpen={() => setOpenId(row.field.id)}
              onWrite={(value) => writeValue(row, value)}
              onDone={() => setOpenId((before) => (before === row.field.id ? null : before))}
            />
            {isKept(row.holding) && (
              <KeptValue row={row} onLetGo={() => write(row, computed().withoutKept(row.content, row.field))} />
            )}
          </Box>
        </Box>
      ))}
      {empty.length > 0 && (
        <Box look="fields-empty">
          {empty.map((row) => (
            <Tap
              key={row.field.id}
              look="field-add"
              aria-label={`Fill in ${row.field.name}`}
              onPress={() => (row.field.type === 'yesNo' ? writeValue(row, true) : setOpenId(row.field.id))}
            >
              {row.field.name}
            </Tap>
          ))}
        </Box>
      )}
    </Box>
  );
}

/** The kinds of a page: each leads to all of its pages. */
function PageKinds({ pageId, kinds, kindIds }: { pageId: string; kinds: KindTree; kindIds: readonly string[] }) {
  const dispatch = useAppDispatch();
  return (
    <Line look="page-kinds">
      {kindIds.map((id, index) => {
        const kind = kinds.get(id);
        const address = kind?.homeId ? `/p/${kind.homeId}` : `/kinds/${id}`;
        return (
          <Said key={id}>
            {index > 0 && ' '}
            <Way
              look="page-kind"
              to={address}
              onOpen={() => open(address)}
              style={{ color: pigmentColour(kind?.pigment ?? null) }}
            >
              {kind?.name ?? 'a kind that is gone'}
            </Way>
          </Said>
        );
      })}{' '}
      <Tap
        look="field-change"
        aria-haspopup="dialog"
        aria-label="Kinds of this page"
        onPress={() => dispatch(sheetOpened({ for: 'kindsOf', entryId: pageId }))}
      >
        {kindIds.length === 0 ? 'Kinds' : 'Change'}
      </Tap>
      {kindIds.length > 0 && (
        <Tap
          look="field-change"
          aria-haspopup="dialog"
          aria-label="Log of what was said of this page"
          onPress={() => dispatch(sheetOpened({ for: 'log', entryId: pageId }))}
        >
          Log
        </Tap>
      )}
    </Line>
  );
}

/** What a field held that it can’t hold as it is now: it stays, in words, until somebody lets it go. */
function KeptValue({ row: { field, holding }, onLetGo }: { row: Row; onLetGo: () => void }) {
  const known = useAppSelector((state) => state.targets.known);
  const words = computed()
    .holdingWords({ ...holding, atom: null, text: '', pages: [] }, field, (id) => linkWords(known[id]))
    .join(', ');
  return (
    <Line look="field-kept">
      <Said>Kept: {words}</Said>
      <Tap look="field-change" aria-label={`Let go of what ${field.name} kept: ${words}`} onPress={onLetGo}>
        Let go
      </Tap>
    </Line>
  );
}
