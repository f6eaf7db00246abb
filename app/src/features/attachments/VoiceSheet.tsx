import { useEffect, useRef, useState } from 'react';
import type { NodeJson } from '@glossarion/core/document';
import { format } from 'date-fns/format';
import { attachmentBlock, putFromSheet } from '../../editor';
import { colour } from '../../theme/tokens';
import { Button } from '../../kit/Button';
import { Sheet } from '../../kit/Sheet';
import { Words } from '../../kit/Words';
import { openMicrophone, recordingForm, type Microphone } from './microphone';
import { upload } from '../../state/upload';

interface VoiceSheetProps {
  onClose: () => void;
  /** Sets the note where it belongs; without it, where the cursor was. */
  onKept?: (note: NodeJson) => void;
}

/** Records a voice note. Closing the sheet throws it away. */
export function VoiceSheet({ onClose, onKept = putFromSheet }: VoiceSheetProps) {
  const [seconds, setSeconds] = useState(0);
  const [stage, setStage] = useState<'opening' | 'recording' | 'sending' | 'refused'>('opening');
  const [isSimulated, setSimulated] = useState(false);
  const recording = useRef<{ recorder: MediaRecorder; parts: Blob[] } | null>(null);

  useEffect(() => {
    let microphone: Microphone | null = null;
    let isGone = false;
    let timer: ReturnType<typeof setInterval> | undefined;
    openMicrophone()
      .then((opened) => {
        microphone = opened;
        if (isGone) return opened.close();
        setSimulated(opened.isSimulated);
        const { type } = recordingForm();
        const recorder = new MediaRecorder(opened.stream, type ? { mimeType: type } : undefined);
        const parts: Blob[] = [];
        recorder.addEventListener('dataavailable', (event) => void parts.push(event.data));
        recorder.start(250);
        recording.current = { recorder, parts };
        setStage('recording');
        timer = setInterval(() => setSeconds((before) => before + 1), 1000);
      })
      .catch(() => setStage('refused'));
    return () => {
      isGone = true;
      clearInterval(timer);
      if (recording.current?.recorder.state === 'recording') recording.current.recorder.stop();
      microphone?.close();
    };
  }, []);

  const keep = async () => {
    const { recorder, parts } = recording.current!;
    setStage('sending');
    const ended = new Promise((resolve) => recorder.addEventListener('stop', resolve, { once: true }));
    recorder.stop();
    await ended;
    const { type, ending } = recordingForm();
    const name = `Voice note ${format(new Date(), 'd MMM yyyy HH.mm')}.${ending}`;
    const attachment = await upload(new Blob(parts, { type }), name);
    onClose();
    if (attachment) onKept(attachmentBlock(attachment));
  };

  return (
    <Sheet title="Voice note" onClose={onClose}>
      {stage === 'refused' ? (
        <Words role="alert" tone={colour.vermilion}>
          The microphone may not be used here. Allow it in the browser’s settings for this site and try again.
        </Words>
      ) : (
        <>
          <Words role="status" size={26} style={{ paddingVertical: 10, fontVariant: ['lining-nums', 'tabular-nums'] }}>
            {stage === 'opening'
              ? 'Opening the microphone …'
              : `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`}
          </Words>
          {isSimulated && (
            <Words tone={colour.soft} style={{ paddingBottom: 10 }}>
              There is no microphone here. A simulated one hums two notes.
            </Words>
          )}
          <Button
            label="Keep it"
            isDisabled={stage !== 'recording'}
            isBusy={stage === 'sending'}
            onPress={() => void keep()}
          />
        </>
      )}
    </Sheet>
  );
}
