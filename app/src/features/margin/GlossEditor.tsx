import { useState } from 'react';
import type { Gloss } from '@glossarion/core/margin';
import { LineEditor } from '../../editor';
import { EditedLine } from './editedLine';

interface GlossEditorProps {
  gloss: Gloss;
  onDone: () => void;
}

/** A line of another page, edited where it is shown and stored as it is typed. Esc brings it back to what it was. */
export function GlossEditor({ gloss, onDone }: GlossEditorProps) {
  const [line] = useState(() => new EditedLine(gloss));
  return (
    <LineEditor
      line={gloss.node}
      label={`Line of ${gloss.pageTitle}`}
      place={{
        pageId: gloss.pageId,
        parentId: gloss.day ? null : (gloss.trail[gloss.trail.length - 1]?.id ?? null),
        trail: gloss.trail,
        title: gloss.pageTitle,
      }}
      onWrite={(written) => line.write(written)}
      onLeave={async (isKept) => {
        const isDone = await (isKept ? line.finish() : line.takeBack());
        if (isDone) onDone();
        return isDone;
      }}
    />
  );
}
