import { Button } from '@rneui/themed';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import type { ImportReport } from '@glossarion/core/formats/markdown';
import { problemSentence, useTakeInMutation } from '../../state/api';
import { colour } from '../../theme/tokens';
import { count } from '../shell/count';
import { Words } from '../shell/Words';

const SHOWN_REMARKS = 20;

/** Takes in a folder of Markdown files, and says what was made and what was not understood. */
export function TakeIn() {
  const input = useRef<HTMLInputElement>(null);
  const [takeIn, { isLoading, data: report, error }] = useTakeInMutation();
  const [isEmpty, setEmpty] = useState(false);

  const take = async (picked: FileList | null) => {
    const chosen = [...(picked ?? [])].filter((file) => /\.(md|markdown)$/iu.test(file.name));
    setEmpty(chosen.length === 0);
    if (chosen.length === 0) return;
    const files = await Promise.all(
      chosen.map(async (file) => ({
        path: withoutFirst(file.webkitRelativePath || file.name),
        text: await file.text(),
      })),
    );
    await takeIn({ files });
    if (input.current) input.current.value = '';
  };

  return (
    <View>
      <Words tone={colour.soft} style={{ paddingBottom: 10 }}>
        A folder of Markdown files. Its folders become notebooks and sections, its files pages, and links between files
        links. All of it is taken in, or nothing.
      </Words>
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
      <Button title="Choose a folder" loading={isLoading} onPress={() => input.current?.click()} />
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
      {report.remarks.length > 0 && (
        <Words tone={colour.ochre} style={{ paddingTop: 6 }}>
          Not understood, and kept as text:
        </Words>
      )}
      {report.remarks.slice(0, SHOWN_REMARKS).map((remark, index) => (
        <Words key={index} size={15} tone={colour.soft}>
          {remark.path}: {remark.what}
        </Words>
      ))}
      {report.remarks.length > SHOWN_REMARKS && (
        <Words size={15} tone={colour.soft}>
          and {report.remarks.length - SHOWN_REMARKS} more.
        </Words>
      )}
    </View>
  );
}
