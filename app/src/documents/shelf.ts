import type { ChangeNotice } from '@glossarion/core/notices';
import { whenAtRest } from '../kit/atRest';
import { api } from '../state/api';
import { dropPickables, preparePickables, renewPickables } from '../state/pickables';
import { sendWaitingActs } from '../state/waitingActs';
import { askAgain, refreshTargets, store } from '../state/store';
import { forgetTold, noteHeard, onMissed } from '../state/told';
import { noticed, savingChanged } from '../state/view';
import type { Ahead } from './ahead';
import { sendDrafts } from './glossDrafts';
import { Library, type LibraryEvents } from './library';
import { LocalStore, type KeptCopy, type KeptHere } from './localStore';
import { WindowStore } from './windowStore';

const TAGS = {
  title: 'Titles',
  links: 'Links',
  outline: 'Outline',
  folds: 'Folds',
  desk: 'Desk',
  settings: 'Settings',
  alsoNamed: 'AlsoNamed',
  kin: 'Kin',
  tasks: 'Tasks',
  tray: 'Tray',
  kinds: 'Kinds',
  words: 'Found',
  searches: 'Searches',
  tags: 'Tags',
  works: 'Works',
} as const;

type Tag = (typeof TAGS)[keyof typeof TAGS];

/** The answers that have to be asked for again, of those that this window keeps. */
const tagsOf = ({ what, ids }: ChangeNotice): (Tag | { type: Tag; id: string })[] =>
  ids === null ? [TAGS[what]] : ids.map((id) => ({ type: TAGS[what], id }));

/** While somebody writes on, the sign of saving does not flicker, and what other places show of it is not asked for. */
const SAVED_AFTER = 300;
/** So long after something changed elsewhere what was found is looked for again, in milliseconds. */
const FOUND_AFTER = 400;

/** This browser's store of an account and the way to the server, for as long as it is signed in here. */
export class Shelf {
  readonly library: Library;
  keptCopies: KeptCopy[] = [];
  private listeners = new Set<() => void>();
  private savedTimer: ReturnType<typeof setTimeout> | undefined;
  private foundTimer: ReturnType<typeof setTimeout> | undefined;
  /** What was said when the server had no room. */
  private full: string | null = null;

  constructor(
    private accountId: string,
    readonly local: KeptHere,
    ahead: Ahead | null = null,
  ) {
    onMissed(() => void askAgain(Date.now()));
    this.library = new Library(local, this.events, ahead);
    void this.readKept();
    void sendDrafts(accountId, local).then(this.readKept);
    void sendWaitingActs(accountId);
    whenAtRest(preparePickables);
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  copies = (): readonly KeptCopy[] => this.keptCopies;

  dropKept = async (id: number): Promise<void> => {
    await this.local.dropKept(id);
    await this.readKept();
  };

  close(): void {
    this.library.close();
    clearTimeout(this.savedTimer);
    dropPickables();
  }

  private readKept = async (): Promise<void> => {
    this.keptCopies = await this.local.keptCopies();
    this.listeners.forEach((listener) => listener());
  };

  /** What was found may be something else by now; while others write on it is looked for now and then. */
  private findAgain(): void {
    this.foundTimer ??= setTimeout(() => {
      this.foundTimer = undefined;
      store.dispatch(api.util.invalidateTags(['Found']));
    }, FOUND_AFTER);
  }

  private get events(): LibraryEvents {
    return {
      onSaving: (saving) => {
        clearTimeout(this.savedTimer);
        if (store.getState().view.saving === saving) return;
        if (saving !== 'saved') store.dispatch(savingChanged(saving));
        else {
          // What was said of the disk is over.
          if (this.full !== null && store.getState().view.notice?.words === this.full) store.dispatch(noticed(null));
          this.full = null;
          this.savedTimer = setTimeout(() => {
            store.dispatch(savingChanged('saved'));
            store.dispatch(api.util.invalidateTags(['Words', 'Found']));
          }, SAVED_AFTER);
        }
      },
      onHeard: noteHeard,
      onChanged: (changed) => {
        store.dispatch(api.util.invalidateTags(changed.filter(({ what }) => what !== 'words').flatMap(tagsOf)));
        this.findAgain();
        for (const { what, ids } of changed) if (what === 'title') refreshTargets(ids);
        if (changed.some(({ what }) => what === 'title' || what === 'outline')) renewPickables();
      },
      onBack: () => {
        const backAt = Date.now();
        void sendWaitingActs(this.accountId).then(() => askAgain(backAt));
        renewPickables();
      },
      onKept: () => void this.readKept(),
      onFull: (reason) => {
        this.full = `${reason} What you write is kept in this window.`;
        store.dispatch(noticed({ words: this.full }));
      },
      onOutdated: () =>
        store.dispatch(
          noticed({
            words: 'Glossarion was renewed while this window was open. What you wrote is kept here; reload to go on.',
            action: 'reload',
          }),
        ),
      onSignedOut: () => store.dispatch(api.util.invalidateTags(['Session'])),
    };
  }
}

interface Opened {
  accountId: string;
  coming: Promise<Shelf>;
  shelf: Shelf | null;
}

let opened: Opened | null = null;

/** The shelf of whoever is signed in, once it is open; of one account alone when that is named. */
export const openShelf = (accountId = opened?.accountId): Shelf | null =>
  opened?.accountId === accountId ? (opened?.shelf ?? null) : null;

/** Opens an account's shelf with what was asked for ahead. */
export function openShelfWith(accountId: string, ahead: Ahead & { database: IDBDatabase }): void {
  const shelf = new Shelf(accountId, LocalStore.in(ahead.database), ahead);
  opened = { accountId, shelf, coming: Promise.resolve(shelf) };
}

/** Opens an account's shelf, and lets go of that of whoever was signed in before; the same for as long as it is open. */
export function takeShelf(accountId: string): Promise<Shelf> {
  if (opened?.accountId === accountId) return opened.coming;
  if (opened) letGoOfShelf(opened.accountId);
  // A browser that keeps nothing for this address shows pages all the same, and sends what is written.
  const keeping = LocalStore.open(accountId).catch(() => new WindowStore());
  const coming = keeping.then((local) => {
    const shelf = new Shelf(accountId, local);
    if (opened === own) own.shelf = shelf;
    else shelf.close();
    return shelf;
  });
  const own: Opened = { accountId, shelf: null, coming };
  opened = own;
  return coming;
}

/** Whoever it belongs to is signed out here. */
export function letGoOfShelf(accountId: string): void {
  if (opened?.accountId !== accountId) return;
  opened.shelf?.close();
  forgetTold();
  opened = null;
}
