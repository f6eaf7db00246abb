import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import type { KeptCopy } from './localStore';
import type { PageDocument } from './pageDocument';
import { letGoOfShelf, openShelf, takeShelf, type Shelf } from './shelf';

/** Resolves when all that was typed in this window is stored on the server; false when it can't be in that time. */
export const settleDocuments = (milliseconds: number): Promise<boolean> =>
  openShelf()?.library.settle(milliseconds) ?? Promise.resolve(false);

/** Resolves when this window has a page as the server does, when that can't be reached, or after the time given. */
export const hearOfPage = (pageId: string, milliseconds: number): Promise<void> =>
  openShelf()?.library.hear(pageId, milliseconds) ?? Promise.resolve();

const ShelfContext = createContext<Shelf | null>(null);

/** Opens this browser's store and the socket for an account, for as long as it is signed in here. */
export function LibraryProvider({ accountId, children }: { accountId: string; children: ReactNode }) {
  const [shelf, setShelf] = useState(() => openShelf(accountId));
  useEffect(() => {
    let isGone = false;
    void takeShelf(accountId).then((taken) => isGone || setShelf(taken));
    return () => {
      isGone = true;
      letGoOfShelf(accountId);
    };
  }, [accountId]);
  return shelf ? <ShelfContext.Provider value={shelf}>{children}</ShelfContext.Provider> : null;
}

export function useShelf(): Shelf {
  const shelf = useContext(ShelfContext);
  if (!shelf) throw new Error('A page can only be shown to somebody who is signed in.');
  return shelf;
}

/** What could not be stored and is kept in this browser. */
export function useKeptCopies(): readonly KeptCopy[] {
  const { subscribe, copies } = useShelf();
  return useSyncExternalStore(subscribe, copies);
}

/** The document of a page for as long as it is shown; null until this window has it. */
export function usePageDocument(pageId: string, day: string | null): PageDocument | null {
  const { library } = useShelf();
  const [page, setPage] = useState<PageDocument | null>(() => library.atHand(pageId));
  useEffect(() => {
    const acquired = library.acquire(pageId, day);
    setPage(acquired);
    return () => library.release(acquired);
  }, [library, pageId, day]);
  useSyncExternalStore(page?.subscribe ?? noSubscription, page?.snapshot ?? noSnapshot);
  return page?.pageId === pageId ? page : null;
}

const noSubscription = () => () => undefined;
const noSnapshot = () => 0;
