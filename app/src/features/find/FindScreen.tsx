import { Input } from '@rneui/themed';
import { useLocalSearchParams, router } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { View, type TextInput } from 'react-native';
import type { MarkedPiece, Finding } from '@glossarion/core/find';
import type { Target } from '@glossarion/core/links';
import { useFindQuery, useRecentQuery } from '../../state/api';
import { colour, pigmentColour } from '../../theme/tokens';
import { addressOf, open } from '../shell/navigation';
import { Screen } from '../shell/Screen';
import { useTitle } from '../shell/useTitle';
import { Words } from '../shell/Words';
import { trailWords } from '../trail/words';

/** Titles and text everywhere, as they are typed. */
export function FindScreen() {
  useTitle('Find');
  const { q } = useLocalSearchParams<{ q?: string }>();
  const [typed, setTyped] = useState(q ?? '');
  const [chosen, setChosen] = useState(0);
  const field = useRef<TextInput>(null);
  const isEmpty = typed.trim() === '';
  const { data: found, isFetching } = useFindQuery(typed, { skip: isEmpty });
  const { data: recent = [] } = useRecentQuery();
  const results = useMemo<(Finding | Target)[]>(() => (isEmpty ? recent : (found ?? [])), [isEmpty, recent, found]);

  useEffect(() => {
    field.current?.focus();
  }, []);
  useEffect(() => {
    setChosen(0);
    const timer = setTimeout(() => router.setParams({ q: typed || undefined } as never), 300);
    return () => clearTimeout(timer);
  }, [typed]);

  const active = Math.min(chosen, results.length - 1);
  const openResult = (result: Finding | Target) =>
    open('blockId' in result && result.blockId ? `/b/${result.blockId}` : addressOf(result));

  return (
    <Screen label="Find">
      <View style={{ paddingHorizontal: 20, paddingTop: 14, maxWidth: 720 }}>
        <h1 className="said">Find</h1>
        <Input
          ref={field as never}
          aria-label="Find"
          placeholder="Words in any title or text"
          placeholderTextColor={colour.soft}
          value={typed}
          onChangeText={setTyped}
          autoCorrect={false}
          autoCapitalize="none"
          errorStyle={{ display: 'none' }}
          inputStyle={{ fontSize: 22 }}
          onKeyPress={(event) => {
            const { key } = event.nativeEvent;
            if (key === 'ArrowDown') setChosen(Math.min(active + 1, results.length - 1));
            else if (key === 'ArrowUp') setChosen(Math.max(active - 1, 0));
            else if (key === 'Enter' && results[active]) openResult(results[active]);
            else return;
            event.preventDefault();
          }}
        />
        <p className="said" role="status">
          {isEmpty ? '' : isFetching ? 'Looking' : `${results.length} found`}
        </p>
        {isEmpty && results.length > 0 && (
          <Words face="capitals" weight="700" tone={colour.soft} style={{ paddingTop: 12 }}>
            changed lately
          </Words>
        )}
        <ul className="findings">
          {results.map((result, index) => (
            <li key={result.id}>
              <a
                href={addressOf(result)}
                className={index === active && !isEmpty ? 'finding active' : 'finding'}
                style={{ borderInlineStartColor: pigmentColour(result.day ? null : result.pigment) }}
                onClick={(event) => {
                  if (event.metaKey || event.ctrlKey) return;
                  event.preventDefault();
                  openResult(result);
                }}
              >
                <span className="finding-title" dir="auto">
                  {'titlePieces' in result ? <Pieces pieces={result.titlePieces} /> : result.title}
                </span>
                <span className="finding-trail">{result.day ? 'Journal' : trailWords(result.trail)}</span>
                {'linePieces' in result && result.linePieces.length > 0 && (
                  <span className="finding-line" dir="auto">
                    <Pieces pieces={result.linePieces} />
                  </span>
                )}
              </a>
            </li>
          ))}
        </ul>
        {!isEmpty && found?.length === 0 && !isFetching && (
          <Words size={18} tone={colour.soft}>
            Nothing holds all of these words. Fewer words, or the beginning of one, may find it.
          </Words>
        )}
      </View>
    </Screen>
  );
}

function Pieces({ pieces }: { pieces: readonly MarkedPiece[] }) {
  return (
    <>
      {pieces.map(({ text, isMarked }, index) =>
        isMarked ? <mark key={index}>{text}</mark> : <span key={index}>{text}</span>,
      )}
    </>
  );
}
