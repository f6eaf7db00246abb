import { useLocalSearchParams, router } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { View, type TextInput } from 'react-native';
import type { MarkedPiece, Finding } from '@glossarion/core/find';
import type { Target } from '@glossarion/core/links';
import { useFindQuery, useRecentQuery } from '../../state/api';
import { grown } from '../../theme/rem';
import { colour, pigmentColour } from '../../theme/tokens';
import { addressOf, open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { Field } from '../../kit/Field';
import { Heading, Line, Mark, Said, Words } from '../../kit/Words';
import { whereWords } from '../../screen/words';
import { Empty } from '../../kit/Empty';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';

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
        <Heading level={1} look="said">
          Find
        </Heading>
        <Field
          ref={field}
          label="Find"
          role="combobox"
          aria-expanded={results.length > 0}
          aria-controls="findings"
          aria-activedescendant={results[active] && !isEmpty ? `finding-${results[active].id}` : undefined}
          isLabelHidden
          hasTrouble={false}
          placeholder="Words in any title or text"
          value={typed}
          onChangeText={setTyped}
          autoCorrect={false}
          autoCapitalize="none"
          inputStyle={{ fontSize: grown(22) }}
          onKeyPress={(event) => {
            const { key } = event.nativeEvent;
            if (key === 'ArrowDown') setChosen(Math.min(active + 1, results.length - 1));
            else if (key === 'ArrowUp') setChosen(Math.max(active - 1, 0));
            else if (key === 'Enter' && results[active]) openResult(results[active]);
            else return;
            event.preventDefault();
          }}
        />
        <Line look="said" role="status">
          {isEmpty ? '' : isFetching ? 'Looking' : `${results.length} found`}
        </Line>
        {isEmpty && results.length > 0 && (
          <Words face="capitals" weight="700" tone={colour.soft} style={{ paddingTop: 12 }}>
            changed lately
          </Words>
        )}
        <Box role="listbox" id="findings" aria-label={isEmpty ? 'Changed lately' : 'Found'} look="findings">
          {results.map((result, index) => (
            <Box role="none" key={result.id}>
              <Way
                role="option"
                id={`finding-${result.id}`}
                aria-selected={index === active && !isEmpty}
                to={addressOf(result)}
                look={index === active && !isEmpty ? 'finding active' : 'finding'}
                style={{ borderInlineStartColor: pigmentColour(result.day ? null : result.pigment) }}
                onOpen={() => openResult(result)}
              >
                <Said look="finding-title" dir="auto">
                  {'titlePieces' in result ? <Pieces pieces={result.titlePieces} /> : result.title}
                </Said>
                <Said look="finding-trail">{whereWords(result)}</Said>
                {'linePieces' in result && result.linePieces.length > 0 && (
                  <Said look="finding-line" dir="auto">
                    <Pieces pieces={result.linePieces} />
                  </Said>
                )}
              </Way>
            </Box>
          ))}
        </Box>
        {!isEmpty && found?.length === 0 && !isFetching && (
          <Empty>Nothing holds all of these words. Fewer words, or the beginning of one, may find it.</Empty>
        )}
      </View>
    </Screen>
  );
}

function Pieces({ pieces }: { pieces: readonly MarkedPiece[] }) {
  return (
    <>
      {pieces.map(({ text, isMarked }, index) =>
        isMarked ? <Mark key={index}>{text}</Mark> : <Said key={index}>{text}</Said>,
      )}
    </>
  );
}
