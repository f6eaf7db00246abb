import { Link, usePathname } from 'expo-router';
import { Pressable, View } from 'react-native';
import type { ContentsEntry } from '../../state/types';
import { spine } from '../../theme/tokens';
import { Words } from '../shell/Words';
import { useNotebookHere } from './useNotebookHere';

/** The bands at the edge of a spine. */
export function SpineBands({ side, inset = 5 }: { side: 'left' | 'right'; inset?: number }) {
  return (
    <View
      style={{
        position: 'absolute',
        [side]: inset,
        top: 3,
        bottom: 3,
        width: 5,
        borderLeftWidth: 1,
        borderRightWidth: 1,
        borderColor: 'rgba(255,255,255,.6)',
      }}
    />
  );
}

/** The notebooks as a pile of spines in the rail; the open one is drawn out. */
export function Pile({ notebooks }: { notebooks: readonly ContentsEntry[] }) {
  const here = useNotebookHere(usePathname());
  return (
    <View role="list" aria-label="Notebooks" style={{ paddingLeft: 14 }}>
      {notebooks.map((notebook) => {
        const isOpen = notebook.id === here;
        return (
          <View role="listitem" key={notebook.id} style={{ marginBottom: 3, marginRight: isOpen ? 0 : 12 }}>
            <Link href={`/n/${notebook.id}` as never} asChild>
              <Pressable
                role="link"
                aria-current={isOpen ? 'true' : undefined}
                style={{
                  minHeight: 38,
                  justifyContent: 'center',
                  backgroundColor: spine(notebook.pigment),
                  borderRadius: 2,
                  borderTopRightRadius: isOpen ? 0 : 2,
                  borderBottomRightRadius: isOpen ? 0 : 2,
                  paddingLeft: 17,
                  paddingRight: 8,
                  paddingVertical: 7,
                }}
              >
                <SpineBands side="left" />
                <Words face="writing" weight="700" tone="#fff" line={19} numberOfLines={2}>
                  {notebook.name}
                </Words>
              </Pressable>
            </Link>
          </View>
        );
      })}
    </View>
  );
}
