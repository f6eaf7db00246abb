import { useState } from 'react';
import { LineEditor } from '../../editor';
import { EditedLine, type LineElsewhereInfo } from './editedLine';

interface LineElsewhereProps {
  line: LineElsewhereInfo;
  onDone: () => void;
}

/** A line of another page, edited where it is shown and stored as it is typed. Esc brings it back to what it was. */
export function LineElsewhere({ line, onDone }: LineElsewhereProps) {
  const [edited] = useState(() => new EditedLine(line));
  return (
    <LineEditor
      line={line.node}
      label={`Line of ${line.pageTitle}`}
      place={{
        pageId: line.pageId,
        parentId: line.day ? null : (line.trail[line.trail.length - 1]?.id ?? null),
        trail: line.trail,
        title: line.pageTitle,
      }}
      onWrite={(written) => edited.write(written)}
      onLeave={async (isKept) => {
        const isDone = await (isKept ? edited.finish() : edited.takeBack());
        if (isDone) onDone();
        return isDone;
      }}
    />
  );
}
