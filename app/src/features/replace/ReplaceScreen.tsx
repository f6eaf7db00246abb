import { useEffect, useMemo, useState } from 'react';
import { useLocalSearchParams } from 'expo-router';
import type { ReplacePreview, ReplaceWish } from '@glossarion/core/replace';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { count } from '../../kit/count';
import { Empty } from '../../kit/Empty';
import { Field } from '../../kit/Field';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Heading, Line, Paragraph } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { problemSentence } from '../../state/api';
import { noteDeed } from '../../state/deeds';
import { useAppDispatch } from '../../state/store';
import { noticed } from '../../state/view';
import { colour } from '../../theme/tokens';
import { useReplaceMutation, useReplacePreviewQuery } from './queries';
import { ReplacedPages } from './ReplacedPages';

const HOW = [
  { name: 'isCase', label: 'Capitals as typed' },
  { name: 'isWhole', label: 'Whole words' },
  { name: 'isExpression', label: 'Regular expression' },
] as const;
/** In milliseconds after the last letter. */
const ASKED_AFTER = 350;
const NOTHING: ReplacePreview = { pages: [], isMore: false, trouble: null };

/** Replaces words on many pages at once: each line before and after, each can be left out; taken back as one. */
export function ReplaceScreen() {
  useTitle('Replace');
  const { find: words = '', where = '' } = useLocalSearchParams<{ find?: string; where?: string }>();
  const [wish, setWish] = useState<ReplaceWish>({
    ...{ find: words, by: '', isExpression: false, isCase: false, isWhole: false },
  });
  const [searched, setSearched] = useState(where);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [replace, { isLoading }] = useReplaceMutation();
  const dispatch = useAppDispatch();
  const wanted = useMemo(() => ({ ...wish, searched: searched.trim() }), [wish, searched]);
  const asked = useSettled(wanted, ASKED_AFTER);
  const isAsked = asked.find !== '';
  const { data, isFetching, isError } = useReplacePreviewQuery(asked, { skip: !isAsked });
  const { pages, isMore, trouble } = isAsked && data ? data : NOTHING;
  // What was just chosen otherwise is done only once its lines are shown.
  const isSettled = asked === wanted && !isFetching;
  const chosen = useMemo(
    () =>
      pages.flatMap(({ page, lines }) =>
        lines
          .filter(({ blockId }) => !left.has(blockId))
          .map(({ blockId, state }) => ({ pageId: page.id, blockId, state })),
      ),
    [pages, left],
  );
  const onPages = new Set(chosen.map(({ pageId }) => pageId)).size;
  useEffect(() => setLeft(new Set()), [asked.find, asked.searched, asked.isExpression, asked.isCase, asked.isWhole]);

  const run = async () => {
    const { searched: _searched, ...what } = asked;
    try {
      const done = await replace({ ...what, chosen }).unwrap();
      const stayed = done.left.length > 0 ? ` ${leftWords(done.left.map(({ title }) => title))}` : '';
      const words = `${count(done.lines, 'line')} replaced.${stayed}`;
      if (done.undo.length > 0) noteDeed(words, done.undo);
      else dispatch(noticed({ words }));
    } catch (error) {
      dispatch(noticed({ words: problemSentence(error) }));
    }
  };

  return (
    <Screen label="Replace" tone={colour.ground}>
      <Box look="replace">
        <Box look="replace-asked">
          <Way look="tags-back" to="/find" onOpen={() => open('/find')}>
            Find
          </Way>
          <Heading level={1} look="tags-title">
            Replace
          </Heading>
          <Field
            autoFocus
            label={wish.isExpression ? 'Regular expression' : 'Words'}
            value={wish.find}
            onChangeText={(find) => setWish({ ...wish, find })}
            autoCorrect={false}
            autoCapitalize="none"
            trouble={trouble ?? undefined}
          />
          <Field
            label="In their place"
            hasTrouble={false}
            placeholder="nothing"
            value={wish.by}
            onChangeText={(by) => setWish({ ...wish, by })}
            autoCorrect={false}
            autoCapitalize="none"
          />
          <Box look="replace-how" role="group" aria-label="How the words are compared">
            {HOW.map(({ name, label }) => (
              <Tap
                key={name}
                look="margin-choice"
                aria-pressed={wish[name]}
                onPress={() => setWish({ ...wish, [name]: !wish[name] })}
              >
                {label}
              </Tap>
            ))}
          </Box>
          <Field
            label="Where, as in Find"
            hasTrouble={false}
            placeholder="everywhere, or in:, tag:, changed: …"
            value={searched}
            onChangeText={setSearched}
            autoCorrect={false}
            autoCapitalize="none"
          />
          {wish.isExpression && (
            <Paragraph look="replace-says">$1 stands for what the first brackets hold, $0 for all of it.</Paragraph>
          )}
          <Button
            label={
              chosen.length > 0 ? `Replace in ${count(chosen.length, 'line')} on ${count(onPages, 'page')}` : 'Replace'
            }
            isDisabled={chosen.length === 0 || !isSettled || isLoading}
            onPress={() => void run()}
            style={{ marginTop: 14 }}
          />
          <Line look="said" role="status">
            {!isAsked ? '' : isSettled ? `${count(chosen.length, 'line')} would be replaced` : 'Looking'}
          </Line>
        </Box>
        <Box look="replace-shown">
          {!isAsked && <Empty>Every line that would be another stands here before anything is done.</Empty>}
          {isError && <Empty>The notes could not be looked through: there is no way to the server just now.</Empty>}
          {isAsked && isSettled && !isError && trouble === null && pages.length === 0 && (
            <Empty>No line holds it there.</Empty>
          )}
          <ReplacedPages pages={pages} left={left} onLeave={(ids, isLeft) => setLeft(toggled(left, ids, isLeft))} />
          {isMore && <Empty>There is more than is shown. Replace these first, then the rest.</Empty>}
        </Box>
      </Box>
    </Screen>
  );
}

/** What was not changed, since it is not as it was shown. */
function leftWords(titles: readonly string[]): string {
  const [first, ...more] = titles;
  const others = more.length > 0 ? ` and ${count(more.length, 'other page')}` : '';
  return `“${first}”${others} changed meanwhile, and stays as it is.`;
}

function toggled(left: ReadonlySet<string>, ids: readonly string[], isLeft: boolean): ReadonlySet<string> {
  const next = new Set(left);
  for (const id of ids) {
    if (isLeft) next.add(id);
    else next.delete(id);
  }
  return next;
}

/** A value once it has stayed the same for so long, in milliseconds. */
function useSettled<T>(value: T, after: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), after);
    return () => clearTimeout(timer);
  }, [value, after]);
  return settled;
}
