import { useEffect, useState } from 'react';
import { Loading } from '../kit/Loading';
import { Sheet } from '../kit/Sheet';
import { Words } from '../kit/Words';
import { problemSentence } from '../state/api';

/** An answer that takes longer is waited for in sight, in milliseconds. */
const LATE = 400;

interface AwaitedSheetProps {
  /** What was asked of the server; without an error it may still tell. */
  asked: { error?: unknown; isFetching: boolean };
  onClose: () => void;
}

/** Stands where a sheet will as soon as the server has told what it is about: whoever asked for it sees why it is not there. */
export function AwaitedSheet({ asked, onClose }: AwaitedSheetProps) {
  const error = asked.isFetching ? null : asked.error;
  const [isLate, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), LATE);
    return () => clearTimeout(timer);
  }, []);
  if (error) {
    const isGone = (error as { status?: unknown }).status === 404;
    return (
      <Sheet title={isGone ? 'Not here' : 'Not reached'} onClose={onClose}>
        <Words role="alert">{problemSentence(error)}</Words>
      </Sheet>
    );
  }
  if (!isLate) return null;
  return (
    <Sheet title="One moment" onClose={onClose}>
      <Loading isWithin />
    </Sheet>
  );
}
