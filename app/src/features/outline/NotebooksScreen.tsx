import { Link } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, View, useWindowDimensions } from 'react-native';
import { PIGMENTS } from '@glossarion/core/outline';
import { useContentsQuery, useEntryQuery, useNotebooksQuery } from '../../state/api';
import type { ContentsEntry } from '../../state/types';
import { colour, measure, spine } from '../../theme/tokens';
import { Action } from '../shell/Action';
import { Screen } from '../shell/Screen';
import { Trouble } from '../shell/Trouble';
import { Words } from '../shell/Words';
import { ContentsList } from './ContentsList';
import { EntrySheet, type EntrySheetAim } from './EntrySheet';
import { SpineBands } from './Pile';
import { useNotebookHere } from './useNotebookHere';

/** All notebooks as a pile, one of them opened to its contents. */
export function NotebooksScreen({ openId }: { openId: string | null }) {
  const { data: notebooks, isError } = useNotebooksQuery();
  const { isError: isMissing } = useEntryQuery(openId ?? '', { skip: !openId });
  const openNotebook = useNotebookHere(openId ? `/n/${openId}` : '');
  const [aim, setAim] = useState<EntrySheetAim | null>(null);
  const { width } = useWindowDimensions();
  const isWide = width >= measure.wide;

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
        {notebooks?.map((notebook) => (
          <NotebookOfPile
            key={notebook.id}
            notebook={notebook}
            isOpen={notebook.id === openNotebook}
            shownId={openId}
            onAim={setAim}
          />
        ))}
        <View style={{ paddingHorizontal: 20, paddingTop: 4 }}>
          <Action
            label="New notebook"
            onPress={() =>
              setAim({ do: 'make', kind: 'notebook', parentId: null, pigment: nextPigment(notebooks ?? []) })
            }
          />
        </View>
      </View>
      {aim && <EntrySheet aim={aim} onAim={setAim} onClose={() => setAim(null)} />}
    </Screen>
  );
}

/** The first pigment that no notebook has yet. */
const nextPigment = (notebooks: readonly ContentsEntry[]) =>
  PIGMENTS.find((pigment) => notebooks.every((notebook) => notebook.pigment !== pigment)) ??
  PIGMENTS[notebooks.length % PIGMENTS.length]!;

interface NotebookOfPileProps {
  notebook: ContentsEntry;
  isOpen: boolean;
  shownId: string | null;
  onAim: (aim: EntrySheetAim) => void;
}

function NotebookOfPile({ notebook, isOpen, shownId, onAim }: NotebookOfPileProps) {
  return (
    <View style={{ marginBottom: 7 }}>
      <Link href={(isOpen ? '/notebooks' : `/n/${notebook.id}`) as never} asChild>
        <Pressable
          role="button"
          aria-expanded={isOpen}
          style={{
            marginHorizontal: 16,
            minHeight: 60,
            flexDirection: 'row',
            alignItems: 'center',
            backgroundColor: spine(notebook.pigment),
            borderRadius: 3,
            paddingLeft: 26,
            paddingRight: 28,
            paddingVertical: 10,
          }}
        >
          <SpineBands side="left" inset={9} />
          <Words face="writing" size={20} line={24} weight="700" tone="#fff" style={{ flex: 1 }}>
            {notebook.name}
          </Words>
          <Words size={15} tone="#fff" aria-label={`${notebook.pageCount ?? 0} pages`}>
            {notebook.pageCount ?? 0}
          </Words>
          <SpineBands side="right" inset={9} />
        </Pressable>
      </Link>
      {isOpen && <OpenNotebook notebook={notebook} shownId={shownId} onAim={onAim} />}
    </View>
  );
}

function OpenNotebook({ notebook, shownId, onAim }: Omit<NotebookOfPileProps, 'isOpen'>) {
  const { data: entries } = useContentsQuery(notebook.id);
  useEffect(() => {
    if (entries && shownId && shownId !== notebook.id) document.getElementById(`entry-${shownId}`)?.scrollIntoView();
  }, [entries, shownId, notebook.id]);
  if (!entries) return null;
  return (
    <View style={{ paddingHorizontal: 20, paddingTop: 4, paddingBottom: 10 }}>
      {notebook.description !== '' && (
        <Words tone={colour.soft} style={{ paddingTop: 6 }}>
          {notebook.description}
        </Words>
      )}
      {entries.length === 0 && (
        <Words size={18} tone={colour.soft} style={{ paddingTop: 8 }}>
          Nothing stands here yet. Begin with a page, or with a section to put pages in.
        </Words>
      )}
      <ContentsList
        notebookId={notebook.id}
        pigment={notebook.pigment}
        entries={entries}
        hereId={shownId}
        onMore={(entry) => onAim({ do: 'change', entry })}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingTop: 8 }}>
        <Action label="New page" onPress={() => onAim({ do: 'make', kind: 'page', parentId: notebook.id })} />
        <Action label="New section" onPress={() => onAim({ do: 'make', kind: 'section', parentId: notebook.id })} />
        <Action label="Change notebook" tone={colour.soft} onPress={() => onAim({ do: 'change', entry: notebook })} />
      </View>
    </View>
  );
}
