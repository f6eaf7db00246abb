import { useState } from 'react';
import type { Work } from '@glossarion/core/works';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { count } from '../../kit/count';
import { Progress } from '../../kit/Progress';
import { Way } from '../../kit/Way';
import { Line, Words } from '../../kit/Words';
import { perform } from '../../state/deeds';
import { useAppDispatch } from '../../state/store';
import { sizeWords } from '../../state/upload';
import { noticed } from '../../state/view';
import { colour } from '../../theme/tokens';
import { Preview } from './Preview';
import { takingBack, useEndWorkMutation } from './queries';
import { Remarks } from './Remarks';

const WHEN = { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' } as const;
const whenWords = (moment: string): string => new Date(moment).toLocaleString('en-GB', WHEN);

/** What ending a work does, by how it stands. */
const ENDING: Partial<Record<Work['state'], string>> = {
  running: 'Stop, and leave nothing of it',
  waiting: 'Leave it',
};

const SORTS = { in: 'taken in', out: 'taken out' } as const;

/** Something that takes long: how far it has come, what came of it, and the way to stop or to forget it. */
export function WorkLine({ work }: { work: Work }) {
  const [end, { isLoading }] = useEndWorkMutation();
  const dispatch = useAppDispatch();
  const { id, sort, name, state, begunAt, done, total } = work;
  const isRunning = state === 'running';
  const [isBusy, setBusy] = useState(false);
  /** What was made goes to the bin, and the lines that came in on days go; taken back like any deed. */
  const takeBack = async () => {
    setBusy(true);
    const acts = await takingBack(id).catch(() => null);
    if (!acts) return void dispatch(noticed({ words: 'The server can’t be reached. Nothing was taken back.' }));
    // What was refused can be tried again: the work stays.
    if (await perform(acts, `What came in with “${name}” is in the bin.`)) await end(id);
  };
  return (
    <Box role="listitem" look="work">
      <Line look="work-name">{name}</Line>
      <Words size={15} tone={colour.soft}>
        {stateWords(work)} · {whenWords(begunAt)}
      </Words>
      {isRunning && (
        <Progress label={`${name} is being ${SORTS[sort]}`} share={total > 0 ? done / total : 0} words={SORTS[sort]} />
      )}
      {state === 'waiting' && work.preview && <Preview work={work} preview={work.preview} />}
      {state === 'done' && <Outcome work={work} />}
      {state === 'failed' && (
        <Line look="work-problem" role="alert">
          {work.problem}
        </Line>
      )}
      <Box look="works-buttons">
        {work.canTakeBack && (
          <Action
            label="Take it back"
            disabled={isBusy}
            onPress={() => void takeBack().finally(() => setBusy(false))}
          />
        )}
        <Action
          label={ENDING[state] ?? 'Take from this list'}
          tone={isRunning ? colour.lapis : colour.soft}
          disabled={isLoading}
          onPress={() => void end(id)}
        />
      </Box>
    </Box>
  );
}

function stateWords({ sort, state, done, total }: Work): string {
  if (state === 'running') return total > 0 ? `${done} of ${total}` : 'Beginning';
  if (state === 'waiting') return 'Looked through; nothing was taken in yet';
  if (state === 'stopped') return 'Stopped; nothing was left of it';
  if (state === 'failed') return 'It failed; nothing was left of it';
  return sort === 'in' ? 'Taken in' : 'Taken out';
}

function Outcome({ work: { id, file, report } }: { work: Work }) {
  if (file) {
    const address = `/api/works/${id}/file`;
    return (
      <Line>
        {file.isMore && 'More was found than is taken out at once: the first '}
        {count(file.pages, 'page')}
        {file.files > 0 && `, ${count(file.files, 'attachment')}`}.{' '}
        {file.form === 'print' ? (
          <Way to={address} onOpen={() => void window.open(address, '_blank', 'noopener')}>
            Open it to be printed
          </Way>
        ) : (
          <Way to={address} onOpen={() => window.location.assign(address)}>
            Fetch {file.name}, {sizeWords(file.size)}
          </Way>
        )}
      </Line>
    );
  }
  if (!report) return null;
  return (
    <Box>
      <Line>
        Made: {count(report.notebooks, 'notebook')}, {count(report.sections, 'section')}, {count(report.pages, 'page')},{' '}
        {count(report.days, 'day')}, {count(report.links, 'link')}.
        {report.renewed > 0 && ` Renewed: ${count(report.renewed, 'page')}.`}
        {report.left > 0 && ` ${report.left} were here already, and were left as they are.`}
      </Line>
      <Remarks remarks={report.remarks} />
    </Box>
  );
}
