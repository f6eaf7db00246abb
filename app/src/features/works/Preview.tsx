import { useState } from 'react';
import type { PresentChoice } from '@glossarion/core/formats/markdown';
import type { ImportPreview, Work } from '@glossarion/core/works';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { count } from '../../kit/count';
import { Fold } from '../../kit/Fold';
import { Radios } from '../../kit/Radios';
import { Line, Words } from '../../kit/Words';
import { problemSentence } from '../../state/api';
import { colour } from '../../theme/tokens';
import { useTakeInLookedMutation } from './queries';
import { Remarks } from './Remarks';

const CHOICES: readonly PresentChoice[] = ['leave', 'renew', 'both'];
const CHOICE_WORDS: Record<PresentChoice, string> = {
  leave: 'Leave them as they are',
  renew: 'Renew them',
  both: 'Keep both',
};
const CHOICE_SAYS: Record<PresentChoice, string> = {
  leave: 'What the files say of them is not taken in.',
  renew: 'They get the words of the files. Taken back, they have their own again.',
  both: 'What the files say comes in beside them, as pages of the same title.',
};

/** What taking in would make, and the choice of what is done with what is here already. */
export function Preview({ work: { id }, preview }: { work: Work; preview: ImportPreview }) {
  const [present, setPresent] = useState<PresentChoice>('leave');
  const [takeIn, { isLoading, error }] = useTakeInLookedMutation();
  const { notebooks, sections, pages, days, left, places, presentCount, remarks, remarkCount } = preview;
  const made = [
    ...(notebooks > 0 ? [count(notebooks, 'notebook')] : []),
    ...(sections > 0 ? [count(sections, 'section')] : []),
    ...(pages > 0 ? [count(pages, 'page')] : []),
    ...(days > 0 ? [count(days, 'day')] : []),
  ];
  const isNothing = notebooks + sections + pages + days + presentCount === 0;
  return (
    <Box look="works-preview">
      <Line>
        {isNothing
          ? 'There is nothing in it that is not here already.'
          : made.length > 0 && `Would be made: ${made.join(', ')}.`}
        {left > 0 && ` ${count(left, 'page')} here already with the same words.`}
      </Line>
      {places.length > 0 && (
        <Box role="list" aria-label="Where it would come">
          {places.map(({ name, pages: own, isHere }, index) => (
            <Box key={index} role="listitem">
              <Line look="works-remark">
                {name}: {count(own, 'page')}
                {isHere && ', in the notebook that is here'}
              </Line>
            </Box>
          ))}
        </Box>
      )}
      {presentCount > 0 && (
        <Box look="works-present">
          <Line>{count(presentCount, 'page')} here already with other words:</Line>
          <Radios
            label="What is done with pages that are here already"
            values={CHOICES}
            words={(each) => CHOICE_WORDS[each]}
            chosen={present}
            onChoose={setPresent}
          />
          <Line look="works-remark">{CHOICE_SAYS[present]}</Line>
          <Fold look="works-fold" label="Which pages">
            {preview.present.map(({ path, title }, index) => (
              <Line key={index} look="works-remark">
                {title} ({path})
              </Line>
            ))}
            {presentCount > preview.present.length && (
              <Line look="works-remark">and {presentCount - preview.present.length} more.</Line>
            )}
          </Fold>
        </Box>
      )}
      <Remarks remarks={remarks} total={remarkCount} words="would come in otherwise than written" />
      {error && (
        <Words role="alert" tone={colour.vermilion}>
          {problemSentence(error)}
        </Words>
      )}
      {!isNothing && (
        <Box look="works-buttons">
          <Button label="Take it in" isBusy={isLoading} onPress={() => void takeIn({ id, present })} />
        </Box>
      )}
    </Box>
  );
}
