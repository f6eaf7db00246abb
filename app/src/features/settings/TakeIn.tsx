import { useRef, useState } from 'react';
import { View } from 'react-native';
import { newId } from '@glossarion/core/document';
import type { ImportRemark, ImportReport } from '@glossarion/core/formats/markdown';
import { loadFormats } from '../../editor';
import { problemSentence, useImportProgressQuery, useStopImportMutation, useTakeInMutation } from '../../state/api';
import { colour } from '../../theme/tokens';
import { Button } from '../../kit/Button';
import { Action } from '../../kit/Action';
import { count } from '../../kit/count';
import { Progress } from '../../kit/Progress';
import { Words } from '../../kit/Words';

const SHOWN_REMARKS = 20;

/** Takes in a folder of Markdown files, and says what was made and what was not understood. */
export function TakeIn() {
  const input = useRef<HTMLInputElement>(null);
  const [takeIn, { isLoading, data: report, error }] = useTakeInMutation();
  const [isEmpty, setEmpty] = useState(false);
  const [leftOut, setLeftOut] = useState<ImportRemark[]>([]);
  const [importId, setImportId] = useState<string | null>(null);
  /** How many files the browser is reading, before they are sent. */
  const [reading, setReading] = useState(0);

  const take = async (picked: FileList | null) => {
    const chosen = [...(picked ?? [])].filter((file) => /\.(md|markdown)$/iu.test(file.name));
    setEmpty(chosen.length === 0);
    if (chosen.length === 0) return;
    setReading(chosen.length);
    const { files, notRead } = await readAll(chosen).finally(() => setReading(0));
    setLeftOut(notRead);
    const id = newId();
    setImportId(id);
    if (files.length > 0) await takeIn({ id, files });
    setImportId(null);
    if (input.current) input.current.value = '';
  };

  return (
    <View>
      <Words tone={colour.soft} style={{ paddingBottom: 10 }}>
        A folder of Markdown files. Its folders become notebooks and sections, its files pages, and links between files
        links. All of it is taken in, or nothing.
      </Words>
      {/* A folder is picked by the browser alone: React Native has nothing for it. */}
      {/* eslint-disable-next-line no-restricted-syntax */}
      <input
        ref={(element) => {
          input.current = element;
          element?.setAttribute('webkitdirectory', '');
        }}
        type="file"
        multiple
        hidden
        aria-label="A folder of Markdown files"
        onChange={(event) => void take(event.target.files)}
      />
      {reading > 0 && (
        <Words role="status" size={15} tone={colour.soft} style={{ paddingBottom: 8 }}>
          Reading {count(reading, 'file')}
        </Words>
      )}
      {importId && <HowFar id={importId} />}
      <Button label="Choose a folder" isBusy={isLoading || reading > 0} onPress={() => input.current?.click()} />
      {isEmpty && (
        <Words role="alert" tone={colour.vermilion} style={{ paddingTop: 8 }}>
          There is no Markdown file in that folder. Nothing was taken in.
        </Words>
      )}
      {error && (
        <Words role="alert" tone={colour.vermilion} style={{ paddingTop: 8 }}>
          {problemSentence(error)}
        </Words>
      )}
      {report && <Report report={report} />}
      {!isLoading && <Remarks remarks={[...leftOut, ...(report?.remarks ?? [])]} />}
    </View>
  );
}

/** The texts of the files, and which could not be read, with the reason. */
async function readAll(chosen: readonly File[]): Promise<{ files: ReadText[]; notRead: ImportRemark[] }> {
  const { MAX_FILE_TEXT, textOfBytes } = await loadFormats();
  const files: ReadText[] = [];
  const notRead: ImportRemark[] = [];
  for (const file of chosen) {
    const path = withoutFirst(file.webkitRelativePath || file.name);
    const leaveOut = (what: string) => notRead.push({ path, what });
    if (file.size > MAX_FILE_TEXT) leaveOut('The file is larger than 4 MB, and was left out.');
    else {
      await file.arrayBuffer().then(
        (bytes) => files.push({ path, text: textOfBytes(new Uint8Array(bytes)) }),
        () => leaveOut('The file could not be read, and was left out.'),
      );
    }
  }
  return { files, notRead };
}

interface ReadText {
  path: string;
  text: string;
}

const ASKED_EVERY = 400;

/** How far an import has come, with the way to stop it. */
function HowFar({ id }: { id: string }) {
  const { data } = useImportProgressQuery(id, { pollingInterval: ASKED_EVERY });
  const [stop, { isLoading }] = useStopImportMutation();
  if (!data) return null;
  const share = data.total > 0 ? data.done / data.total : 0;
  return (
    <View style={{ paddingBottom: 10, gap: 6 }}>
      <Progress label="Taking in" share={share} words="taken in" />
      <Action label="Stop, and take in nothing" onPress={() => void stop(id)} disabled={isLoading} />
    </View>
  );
}

/** The folder that was picked is not a notebook itself: its name is left out of the paths. */
const withoutFirst = (path: string): string => (path.includes('/') ? path.slice(path.indexOf('/') + 1) : path);

function Report({ report }: { report: ImportReport }) {
  return (
    <View role="status" style={{ paddingTop: 10 }}>
      <Words>
        Made: {count(report.notebooks, 'notebook')}, {count(report.sections, 'section')}, {count(report.pages, 'page')},{' '}
        {count(report.days, 'day')}, {count(report.links, 'link')}.
      </Words>
    </View>
  );
}

/** What came in otherwise than it was written, or not at all, by the file's name. */
function Remarks({ remarks }: { remarks: readonly ImportRemark[] }) {
  if (remarks.length === 0) return null;
  return (
    <View style={{ paddingTop: 6, gap: 2 }}>
      <Words tone={colour.ochre}>Not as it was written:</Words>
      {remarks.slice(0, SHOWN_REMARKS).map(({ path, what }, index) => (
        <Words key={index} size={15} tone={colour.soft}>
          {path}: {what}
        </Words>
      ))}
      {remarks.length > SHOWN_REMARKS && (
        <Words size={15} tone={colour.soft}>
          and {remarks.length - SHOWN_REMARKS} more.
        </Words>
      )}
    </View>
  );
}
