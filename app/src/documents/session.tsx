import { createContext, useContext, useEffect, useMemo, useState, useSyncExternalStore, type ReactNode } from 'react';
import type { ChangeNotice } from '@glossarion/core/notices';
import { api } from '../state/api';
import { refreshTargets, store } from '../state/store';
import { noticed, savingChanged } from '../state/view';
import { dropPickables, preparePickables, renewPickables } from '../state/pickables';
import { sendDrafts } from './glossDrafts';
import { Library } from './library';
import { LocalStore, type KeptCopy } from './localStore';
import type { PageDocument } from './pageDocument';
import { whenAtRest } from '../kit/atRest';

interface Shelf {
  library: Library;
  local: LocalStore;
  keptCopies: KeptCopy[];
  dropKept: (id: number) => Promise<void>;
}

let openLibrary: Library | null = null;

/** Resolves when all that was typed in this window is stored on the server; false when it can't be in that time. */
export const settleDocuments = (milliseconds: number): Promise<boolean> =>
  openLibrary?.settle(milliseconds) ?? Promise.resolve(false);

const ShelfContext = createContext<Shelf | null>(null);

const TAGS = {
  title: 'Titles',
  links: 'Links',
  outline: 'Outline',
  folds: 'Folds',
  desk: 'Desk',
  settings: 'Settings',
  alsoNamed: 'AlsoNamed',
  kin: 'Kin',
} as const;

type Tag = (typeof TAGS)[keyof typeof TAGS];

/** The answers that have to be asked for again, of those that this window keeps. */
const tagsOf = ({ what, ids }: ChangeNotice): (Tag | { type: Tag; id: string })[] =>
  ids === null ? [TAGS[what]] : ids.map((id) => ({ type: TAGS[what], id }));

/** While somebody writes on, the sign of saving does not flicker, and what other places show of it is not asked for. */
const SAVED_AFTER = 300;

/** Opens this browser's store and the socket for an account, for as long as it is signed in here. */
export function LibraryProvider({ accountId, children }: { accountId: string; children: ReactNode }) {
  const [opened, setOpened] = useState<{ library: Library; local: LocalStore } | null>(null);
  const [keptCopies, setKept] = useState<KeptCopy[]>([]);

  useEffect(() => {
    let library: Library | undefined;
    let isGone = false;
    let full: string | null = null;
    let savedTimer: ReturnType<typeof setTimeout> | undefined;
    void LocalStore.open(accountId).then((local) => {
      if (isGone) return local.close();
      const readKept = () => void local.keptCopies().then(setKept);
      library = new Library(local, {
        onSaving: (saving) => {
          clearTimeout(savedTimer);
          if (store.getState().view.saving === saving) return;
          if (saving !== 'saved') store.dispatch(savingChanged(saving));
          else {
            // What was said of the disk is over.
            if (full !== null && store.getState().view.notice?.words === full) store.dispatch(noticed(null));
            full = null;
            savedTimer = setTimeout(() => {
              store.dispatch(savingChanged('saved'));
              store.dispatch(api.util.invalidateTags(['Words']));
            }, SAVED_AFTER);
          }
        },
        onChanged: (changed) => {
          store.dispatch(api.util.invalidateTags(changed.flatMap(tagsOf)));
          for (const { what, ids } of changed) if (what === 'title') refreshTargets(ids);
          if (changed.some(({ what }) => what === 'title' || what === 'outline')) renewPickables();
        },
        onKept: readKept,
        onFull: (reason) => {
          full = `${reason} What you write is kept in this window.`;
          store.dispatch(noticed({ words: full }));
        },
        onOutdated: () =>
          store.dispatch(
            noticed({
              words: 'Glossarion was renewed while this window was open. What you wrote is kept here; reload to go on.',
              action: 'reload',
            }),
          ),
        onSignedOut: () => store.dispatch(api.util.invalidateTags(['Session'])),
      });
      readKept();
      void sendDrafts(accountId, local).then(readKept);
      openLibrary = library;
      whenAtRest(preparePickables);
      setOpened({ library, local });
    });
    return () => {
      isGone = true;
      if (openLibrary === library) openLibrary = null;
      library?.close();
      clearTimeout(savedTimer);
      dropPickables();
    };
  }, [accountId]);

  const shelf = useMemo<Shelf | null>(
    () =>
      opened && {
        ...opened,
        keptCopies,
        dropKept: async (id) => {
          await opened.local.dropKept(id);
          setKept(await opened.local.keptCopies());
        },
      },
    [opened, keptCopies],
  );
  return shelf ? <ShelfContext.Provider value={shelf}>{children}</ShelfContext.Provider> : null;
}

export function useShelf(): Shelf {
  const shelf = useContext(ShelfContext);
  if (!shelf) throw new Error('A page can only be shown to somebody who is signed in.');
  return shelf;
}

/** The document of a page for as long as it is shown; null until this window has it. */
export function usePageDocument(pageId: string, day: string | null): PageDocument | null {
  const { library } = useShelf();
  const [page, setPage] = useState<PageDocument | null>(null);
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
