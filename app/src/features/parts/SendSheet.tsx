import { useState } from 'react';
import { View } from 'react-native';
import type { SendForm } from '@glossarion/core/acts/parts';
import { colour } from '../../theme/tokens';
import { Action } from '../../kit/Action';
import { later } from '../../kit/later';
import { Words } from '../../kit/Words';
import { sendTo } from './partActs';

const PagePlaceSheet = later(async () => (await import('./PagePlaceSheet')).PagePlaceSheet, true);

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

/** Brings lines to another page without leaving this one. */
export function SendSheet({ pageId, ids, onClose }: SendSheetProps) {
  const [form, setForm] = useState<SendForm>('move');
  return (
    <PagePlaceSheet
      title={`Send ${ids.length === 1 ? 'the line' : `${ids.length} lines`} to…`}
      except={[pageId]}
      onChoose={(page, at) => sendTo({ pageId, ids }, page, at, form)}
      onClose={onClose}
    >
      {(page) => (
        <>
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
        </>
      )}
    </PagePlaceSheet>
  );
}
