import { useEffect, useRef, useState } from 'react';

/** Between two things that are said of their own accord, in milliseconds: a screen reader is not to talk all the time. */
const PACE = 30_000;

/**
 * What a screen reader is told of something that changes often: trouble at once, all else at most twice a minute, and
 * then how it is by that time.
 */
export function useAnnounced(words: string, isTrouble: boolean): string {
  const [said, setSaid] = useState('');
  const last = useRef(-Infinity);
  useEffect(() => {
    const say = () => {
      last.current = Date.now();
      setSaid(words);
    };
    const wait = last.current + PACE - Date.now();
    if (isTrouble || wait <= 0) return say();
    const timer = setTimeout(say, wait);
    return () => clearTimeout(timer);
  }, [words, isTrouble]);
  return said;
}
