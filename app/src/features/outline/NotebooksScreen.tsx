import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { stepPlace, type ContentsEntry } from '@glossarion/core/outline';
import { useContentsQuery, useEntryQuery, useNotebooksQuery } from '../../state/api';
import { handFiles } from '../../state/handed';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { pickFolder } from '../../state/upload';
import { chose, sheetOpened } from '../../state/view';
import { useWindowWidth } from '../../theme/rem';
import { colour, measure, spine } from '../../theme/tokens';
import { Action } from '../../kit/Action';
import { open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { Trouble } from '../../kit/Trouble';
import { count } from '../../kit/count';
import { useTitle } from '../../screen/useTitle';
import { Said, Words } from '../../kit/Words';
import { SEASON_HEADS } from './contentsLines';
import { ContentsTree } from './ContentsTree';
import { chosenOf, makePage, moveTo } from './entryActs';
import { askedByMouse, useDraggable } from './OutlineDragging';
import { SpineBands } from './Pile';
import { useNotebookHere } from './useNotebookHere';
import { Tap } from '../../kit/Tap';
import { Empty } from '../../kit/Empty';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';

const main = (): HTMLElement | null => document.getElementById('main');

/** All notebooks as a pile, one of them opened to its contents. */
export function NotebooksScreen({ openId }: { openId: string | null }) {
  const { data: notebooks, isError } = useNotebooksQuery();
  const { currentData: shown, isError: isMissing } = useEntryQuery(openId ?? '', { skip: !openId });
  useTitle(openId ? (shown?.title ?? null) : 'Notebooks');
  const openNotebook = useNotebookHere(openId ? `/n/${openId}` : '');
  const dispatch = useAppDispatch();
  const width = useWindowWidth();
  const isWide = width >= measure.wide;
  const of = (season: ContentsEntry['season']) => notebooks?.filter((notebook) => notebook.season === season) ?? [];
  const show = (notebook: ContentsEntry) => (
    <NotebookOfPile
      key={notebook.id}
      notebook={notebook}
      isOpen={notebook.id === openNotebook}
      shownId={openId}
      onStep={(step) => {
        const place = stepPlace(step, notebook, notebooks ?? [], null);
        if (place) void moveTo([chosenOf(notebook)], place, step);
      }}
    />
  );

  useEffect(() => {
    return () => void dispatch(chose(null));
  }, [dispatch]);

  return (
    <Screen label="Notebooks" tone={colour.ground}>
      <View style={{ maxWidth: 680, width: '100%', marginHorizontal: 'auto', paddingTop: isWide ? 12 : 0 }}>
        <Words
          face="writing"
          size={30}
          line={36}
          weight="700"
          role="heading"
          aria-level={1}
          style={{ paddingHorizontal: 20, paddingTop: 18, paddingBottom: 10 }}
        >
          Notebooks
        </Words>
        {isMissing && <Trouble title="Not here" sentence="There is no such notebook or section in this account." />}
        {isError && !notebooks && (
          <Trouble
            title="Not reached"
            sentence="The server can’t be reached. Your notebooks are safe there; try again in a moment."
          />
        )}
        {notebooks?.length === 0 && (
          <Words size={18} tone={colour.soft} style={{ paddingHorizontal: 20, paddingBottom: 12 }}>
            A notebook holds one part of a life: a job, a house, what you read. Its pages stand in sections. Begin with
            one.
          </Words>
        )}
        {of(null).map(show)}
        <View style={{ paddingHorizontal: 20, paddingTop: 4, flexDirection: 'row', flexWrap: 'wrap', columnGap: 18 }}>
          <Action
            label="New notebook"
            onPress={() => dispatch(sheetOpened({ for: 'make', kind: 'notebook', parentId: null }))}
          />
          <Action
            label="Take in a folder"
            tone={colour.soft}
            onPress={() =>
              void pickFolder().then((files) => {
                if (files.length === 0) return;
                handFiles(files);
                open('/in-and-out');
              })
            }
          />
          <Action label="In and out" tone={colour.soft} onPress={() => open('/in-and-out')} />
          <Action label="Bin" tone={colour.soft} onPress={() => open('/bin')} />
        </View>
        {(['later', 'aside'] as const).map((season) => (
          <SeasonShelf key={season} season={season} notebooks={of(season)} openId={openNotebook} show={show} />
        ))}
      </View>
    </Screen>
  );
}

interface SeasonShelfProps {
  season: 'later' | 'aside';
  notebooks: readonly ContentsEntry[];
  openId: string | null | undefined;
  show: (notebook: ContentsEntry) => React.ReactNode;
}

/** Notebooks for later and those laid aside: folded away beneath the pile. */
function SeasonShelf({ season, notebooks, openId, show }: SeasonShelfProps) {
  const [isOpened, setOpened] = useState(false);
  if (notebooks.length === 0) return null;
  const isOpen = isOpened || notebooks.some((notebook) => notebook.id === openId);
  return (
    <View style={{ paddingTop: 14 }}>
      <Tap look="contents-season shelf" aria-expanded={isOpen} onPress={() => setOpened(!isOpen)}>
        <Said look="contents-title">{SEASON_HEADS[season]}</Said>
        <Said>{notebooks.length}</Said>
      </Tap>
      {isOpen && notebooks.map(show)}
    </View>
  );
}

interface NotebookOfPileProps {
  notebook: ContentsEntry;
  isOpen: boolean;
  shownId: string | null;
  /** Moves it over its neighbour in the pile. */
  onStep: (step: 'up' | 'down') => void;
}

function NotebookOfPile({ notebook, isOpen, shownId, onStep }: NotebookOfPileProps) {
  const dispatch = useAppDispatch();
  const { ref, listeners, isDragged } = useDraggable(notebook, notebook.name);
  const openMenu = () => dispatch(sheetOpened({ for: 'entry', entryId: notebook.id }));
  return (
    <Box style={{ marginBottom: 7 }}>
      <Box
        look="spine"
        ref={ref}
        {...listeners}
        style={{ background: spine(notebook.pigment) }}
        onContextMenu={(event) => askedByMouse(event) && openMenu()}
        dataSet={{ entry: notebook.id, kind: 'notebook', dragged: isDragged || undefined }}
      >
        <Way
          to={isOpen ? '/notebooks' : `/n/${notebook.id}`}
          aria-expanded={isOpen}
          look="spine-link"
          onKeyDown={(event) => {
            const step = { ArrowUp: 'up', ArrowDown: 'down' }[event.key] as 'up' | 'down' | undefined;
            if (!event.altKey || !step) return;
            event.preventDefault();
            onStep(step);
          }}
          onOpen={() => open(isOpen ? '/notebooks' : `/n/${notebook.id}`)}
        >
          <SpineBands side="left" inset={9} />
          <Said look="spine-name" dir="auto">
            {notebook.name}
          </Said>
          <Said look="spine-count" aria-label={count(notebook.pagesBeneath, 'page')}>
            {notebook.pagesBeneath}
          </Said>
          <SpineBands side="right" inset={9} />
        </Way>
      </Box>
      {isOpen && <OpenNotebook notebook={notebook} shownId={shownId} />}
    </Box>
  );
}

function OpenNotebook({ notebook, shownId }: { notebook: ContentsEntry; shownId: string | null }) {
  const { data: contents } = useContentsQuery(notebook.id);
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.view.chosen);
  useEffect(() => {
    if (contents && shownId && shownId !== notebook.id) document.getElementById(`entry-${shownId}`)?.scrollIntoView();
    // Only when another section is shown, not with every change of the contents.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [contents !== undefined, shownId, notebook.id]);
  if (!contents) return null;
  return (
    <View style={{ paddingHorizontal: 20, paddingTop: 4, paddingBottom: 10 }}>
      {notebook.description !== '' && (
        <Words tone={colour.soft} style={{ paddingTop: 6 }}>
          {notebook.description}
        </Words>
      )}
      {contents.entries.length === 0 && (
        <Empty>Nothing stands here yet. Begin with a page, or with a section to put pages in.</Empty>
      )}
      <ContentsTree notebook={notebook} contents={contents} hereId={shownId} isNarrow={false} scroller={main} />
      <Box look="contents-tools">
        <Action label="New page" onPress={() => void makePage({ parentId: notebook.id })} />
        <Action
          label="New section"
          onPress={() => dispatch(sheetOpened({ for: 'make', kind: 'section', parentId: notebook.id }))}
        />
        {!chosen && <Action label="Choose" tone={colour.soft} onPress={() => dispatch(chose([]))} />}
        <Action
          label="Notebook"
          aria-label={`What can be done with ${notebook.name}`}
          tone={colour.soft}
          onPress={() => dispatch(sheetOpened({ for: 'entry', entryId: notebook.id }))}
        />
      </Box>
    </View>
  );
}
