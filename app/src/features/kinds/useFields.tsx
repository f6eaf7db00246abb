import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { FIELDS } from '@glossarion/core/document';
import type { PageDocument } from '../../documents/pageDocument';
import { around } from '../../kit/later';
import { kindPart } from './kindPart';

/** So long a text waits at most for the fields above it, in milliseconds. */
const WAITED_FOR = 2_500;

let isHere = false;
const load = async () => {
  const Part = await kindPart('PageFields')();
  isHere = true;
  return Part;
};

/** What a page is and says of itself, beneath its title. */
export const PageFields = around(load);

const noSubscription = () => () => undefined;

/** Whether a page is of kinds, or holds something of fields. */
function useHasFields(page: PageDocument | null): boolean {
  const document = page?.isReady ? page.document : null;
  const subscribe = useCallback(
    (listener: () => void) => {
      const map = document?.getMap(FIELDS);
      map?.observe(listener);
      return () => map?.unobserve(listener);
    },
    [document],
  );
  return useSyncExternalStore(document ? subscribe : noSubscription, () => (document?.getMap(FIELDS).size ?? 0) > 0);
}

/**
 * Whether a page has fields, and whether its text can be shown: it waits for the code of the fields that stand above
 * it, so that nothing moves it once it is there.
 */
export function useFields(page: PageDocument | null): { hasFields: boolean; isTextReady: boolean } {
  const hasFields = useHasFields(page);
  const [, setOver] = useState(false);
  const wasShown = useRef(false);
  const isAwaited = hasFields && !isHere && !wasShown.current;
  useEffect(() => {
    if (!isAwaited) return;
    const end = () => {
      wasShown.current = true;
      setOver(true);
    };
    load().then(end, end);
    const timer = setTimeout(end, WAITED_FOR);
    return () => clearTimeout(timer);
  }, [isAwaited]);
  if (page?.isReady && !isAwaited) wasShown.current = true;
  return { hasFields, isTextReady: !isAwaited };
}
