import { useEffect, useRef, useState } from 'react';
import { JotEditor, attachmentBlock, type JotEditorHandle } from '../../editor';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { later } from '../../kit/later';
import { Sheet } from '../../kit/Sheet';
import { Line } from '../../kit/Words';
import {
  holdDraft,
  keepDraft,
  keepJotting,
  leftDraft,
  newDraft,
  takeLeftDraft,
  type JottingDraft,
} from '../../state/jottings';
import { useAppSelector } from '../../state/store';
import { pickFiles, upload } from '../../state/upload';
import { trimmed } from './jottingWords';

const VoiceSheet = later(async () => (await import('../attachments/VoiceSheet')).VoiceSheet, true);

/** Catches a stray thought over whatever screen is shown. What is typed is kept as it is typed, whatever closes the sheet. */
export function JotSheet({ onClose }: { onClose: () => void }) {
  // Written at once, unless something was left here the last time.
  const [draft, setDraft] = useState<JottingDraft | null>(() => (leftDraft() ? null : newDraft()));
  const [end] = useState(ending);
  useEffect(() => {
    if (draft) return holdDraft(draft.id, end.promise);
    void takeLeftDraft(end.promise).then((left) => setDraft(left ?? newDraft()));
    // Once, when it opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  useEffect(() => () => end.resolve(), [end]);
  return (
    <Sheet title="Jot" onClose={onClose}>
      {draft && <Jotting draft={draft} onClose={onClose} />}
    </Sheet>
  );
}

/** A promise, and what fulfils it. */
function ending(): { promise: Promise<void>; resolve: () => void } {
  let resolve = () => {};
  const promise = new Promise<void>((fulfil) => (resolve = fulfil));
  return { promise, resolve };
}

function Jotting({ draft, onClose }: { draft: JottingDraft; onClose: () => void }) {
  const lines = useRef(draft.nodes);
  const editor = useRef<JotEditorHandle>(null);
  const [isSpeaking, setSpeaking] = useState(false);
  const [isBusy, setBusy] = useState(false);
  const isKeeping = useRef(false);
  const isOffline = useAppSelector((state) => state.view.saving === 'offline');
  const keep = async () => {
    const nodes = trimmed(lines.current);
    // Enter struck twice keeps it once.
    if (isKeeping.current) return;
    if (nodes.length === 0) return onClose();
    isKeeping.current = true;
    setBusy(true);
    if (await keepJotting({ ...draft, nodes })) onClose();
    isKeeping.current = false;
    setBusy(false);
  };
  const addPictures = async () => {
    for (const file of await pickFiles('image/*')) {
      const attachment = await upload(file, file.name || 'picture');
      if (attachment) editor.current?.put(attachmentBlock(attachment));
    }
  };
  return (
    <>
      <JotEditor
        handle={editor}
        id={draft.id}
        lines={draft.nodes}
        label="What is on your mind"
        placeholder="A stray thought"
        onWrite={(written) => {
          lines.current = written;
          keepDraft({ ...draft, nodes: written });
        }}
        onKeep={() => void keep()}
      />
      <Box look="jot-foot">
        <Box look="jot-tools">
          <Action label="New line" onPress={() => editor.current?.breakLine()} />
          <Action label="To-do" onPress={() => editor.current?.toggleTodo()} />
          {!isOffline && <Action label="Picture" onPress={() => void addPictures()} />}
          {!isOffline && <Action label="Voice" onPress={() => setSpeaking(true)} />}
        </Box>
        <Button label="Keep" isBusy={isBusy} onPress={() => void keep()} />
      </Box>
      <Line look="jot-hint" dataSet={{ keys: isOffline ? undefined : '' }}>
        {isOffline
          ? 'Without network it is kept here, and goes to the Tray later.'
          : 'Enter keeps it in the Tray; Shift and Enter begin a line.'}
      </Line>
      {isSpeaking && <VoiceSheet onClose={() => setSpeaking(false)} onKept={(note) => editor.current?.put(note)} />}
    </>
  );
}
