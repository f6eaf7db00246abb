import { useState } from 'react';
import { newId } from '@glossarion/core/document';
import { EXPORT_FORMS, type ExportForm } from '@glossarion/core/works';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { Radios } from '../../kit/Radios';
import { Line, Words } from '../../kit/Words';
import { problemSentence } from '../../state/api';
import { colour } from '../../theme/tokens';
import { FORM_WORDS } from './forms';
import { useTakeOutMutation, useWorksQuery } from './queries';
import { WorkLine } from './WorkLine';

interface TakeOutProps {
  /** The entry; null for all there is, or what a query line finds. */
  of: string | null;
  find?: string;
  label: string;
  /** Whether what came of it is shown beneath. */
  isShown?: boolean;
}

/** Writes all there is, or what stands in an entry, as files; shown until it is fetched. */
export function TakeOut({ of, find, label, isShown = true }: TakeOutProps) {
  const [takeOut, { isLoading, error }] = useTakeOutMutation();
  const { data: works } = useWorksQuery();
  const [id, setId] = useState<string | null>(null);
  const [form, setForm] = useState<ExportForm>('markdown');
  const work = works?.find((each) => each.id === id);
  const begin = () => {
    const next = newId();
    setId(next);
    void takeOut({ id: next, of, find, form });
  };
  return (
    <Box>
      <Radios
        label="As what"
        values={EXPORT_FORMS}
        words={(each) => FORM_WORDS[each].name}
        chosen={form}
        onChoose={setForm}
      />
      <Line look="works-says">{FORM_WORDS[form].says}</Line>
      <Box look="works-buttons">
        <Button label={label} isBusy={isLoading || work?.state === 'running'} onPress={begin} />
      </Box>
      {error && (
        <Words role="alert" tone={colour.vermilion} style={{ paddingTop: 8 }}>
          {problemSentence(error)}
        </Words>
      )}
      {isShown && work && (
        <Box role="list" aria-label="What is being taken out">
          <WorkLine work={work} />
        </Box>
      )}
    </Box>
  );
}
