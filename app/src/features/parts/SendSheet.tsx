import { useState } from 'react';
import { View } from 'react-native';
import { isHeading } from '@glossarion/core/document';
import type { SendForm } from '@glossarion/core/acts/parts';
import { useNamesQuery, usePageQuery, useRecentQuery } from '../../state/api';
import { colour } from '../../theme/tokens';
import { Action } from '../../kit/Action';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { Words } from '../../kit/Words';
import { trailWords } from '../../screen/words';
import { sendTo } from './partActs';

interface SendSheetProps {
  pageId: string;
  ids: string[];
  onClose: () => void;
}

const FORMS: { form: SendForm; words: string }[] = [
  { form: 'move', words: 'Move' },
  { form: 'copy', words: 'Copy' },
  { form: 'excerpt', words: 'Excerpt with its source' },
];

/** Brings lines to another page without leaving this one: the page first, then where on it. */
export function SendSheet({ pageId, ids, onClose }: SendSheetProps) {
  const [typed, setTyped] = useState('');
  const [form, setForm] = useState<SendForm>('move');
  const [page, setPage] = useState<{ id: string; title: string } | null>(null);
  const name = typed.trim();
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' || page !== null });
  const { data: recent = [] } = useRecentQuery();
  const { currentData: info } = usePageQuery(page?.id ?? '', { skip: page === null });
  const what = ids.length === 1 ? 'the line' : `${ids.length} lines`;

  const pages = (name === '' ? recent : named)
    .filter((target) => target.kind === 'page' && target.id !== pageId)
    .slice(0, 9)
    .map((target): Choice => ({
      key: target.id,
      words: target.title,
      detail: trailWords(target.trail),
      choose: () => {
        setPage(target);
        setTyped('');
      },
    }));
  const place = (at: string, words: string, detail: string): Choice => ({
    key: at,
    words,
    detail,
    choose: async () => {
      if (page && (await sendTo({ pageId, ids }, page, at, form))) onClose();
    },
  });
  const headings = (info?.body.content ?? []).filter(isHeading);
  const places = [
    place('end', 'At the end', 'after all that is there'),
    place('head', 'At the head', 'before all that is there'),
    ...headings.map((node) => {
      const words = (node.content ?? []).map((each) => each.text ?? String(each.attrs?.words ?? '')).join('');
      return place(String(node.attrs?.id), words || 'A heading', 'at the end of its part');
    }),
  ].filter((choice) => choice.words.toLowerCase().includes(name.toLowerCase()));

  return (
    <ChoiceSheet
      title={page ? `Where on “${page.title}”?` : `Send ${what} to…`}
      placeholder={page ? 'Some letters of a heading' : 'Some letters of a page'}
      typed={typed}
      onType={setTyped}
      choices={page ? places : pages}
      emptyWords={page ? 'There is no such heading.' : 'No page has this name.'}
      onClose={onClose}
    >
      <View role="radiogroup" aria-label="How" style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 14 }}>
        {FORMS.map((each) => (
          <Action
            key={each.form}
            role="radio"
            aria-checked={form === each.form}
            label={form === each.form ? `● ${each.words}` : `○ ${each.words}`}
            onPress={() => setForm(each.form)}
          />
        ))}
      </View>
      {page && <Words tone={colour.soft}>Enter takes the first.</Words>}
    </ChoiceSheet>
  );
}

/** Asks what the pages made of a day's lines are to stand in, since a day holds no pages. */
export function LiftToSheet({
  onChoose,
  onClose,
}: {
  onChoose: (parentId: string) => Promise<unknown>;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' });
  const { data: recent = [] } = useRecentQuery();
  const choices = (name === '' ? recent : named)
    .filter((target) => target.kind !== 'block' && target.day === null)
    .slice(0, 9)
    .map((target): Choice => ({
      key: target.id,
      words: target.title,
      detail: trailWords(target.trail) || target.kind,
      choose: async () => {
        onClose();
        await onChoose(target.id);
      },
    }));
  return (
    <ChoiceSheet
      title="Where shall the page stand?"
      placeholder="Some letters of a notebook, section or page"
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords="Nothing of this name can hold it."
      onClose={onClose}
    />
  );
}
