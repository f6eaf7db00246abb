import { useState } from 'react';
import type { SendForm } from '@glossarion/core/acts/parts';
import { colour } from '../../theme/tokens';
import { later } from '../../kit/later';
import { Radios } from '../../kit/Radios';
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
          <Radios
            label="How"
            values={FORMS.map((each) => each.form)}
            words={(value) => FORMS.find((each) => each.form === value)!.words}
            chosen={form}
            onChoose={setForm}
          />
          {page && <Words tone={colour.soft}>Enter takes the first.</Words>}
        </>
      )}
    </PagePlaceSheet>
  );
}
