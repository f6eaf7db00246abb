import { useContext, useEffect, useMemo, useState } from 'react';
import type { Asked } from '@glossarion/core/find/query';
import { AccountContext } from '../../state/AccountContext';
import type { FoundHere } from './here';
import { loadHere } from './loadHere';

/**
 * What the pages that this browser keeps hold of what is looked for, while the server can't be reached; and whether they
 * could not be searched either.
 */
export function useFoundHere(
  asked: Asked | null,
  limit: number,
  isWanted: boolean,
): { here: FoundHere | null; isMissing: boolean } {
  const { id } = useContext(AccountContext);
  const [isMissing, setMissing] = useState(false);
  const [find, setFind] = useState<((asked: Asked, limit: number) => FoundHere) | null>(null);
  useEffect(() => {
    if (!isWanted) return setFind(null);
    let isGone = false;
    setMissing(false);
    loadHere()
      .then(({ readHere }) => readHere(id))
      .then(
        (ready) => isGone || setFind(() => ready),
        () => isGone || setMissing(true),
      );
    return () => {
      isGone = true;
    };
  }, [isWanted, id]);
  const here = useMemo(() => (isWanted && find && asked ? find(asked, limit) : null), [isWanted, find, asked, limit]);
  return { here, isMissing: isWanted && isMissing };
}
