import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Deed } from './deed';
import type { EntryKind } from '@glossarion/core/outline';
import { keptView, type KeptView } from './keptView';

/** An entry as far as choosing and moving it needs it. */
export interface ChosenEntry {
  id: string;
  kind: EntryKind;
  parentId: string | null;
  title: string;
}

/** What the sheet that is open is for; one at a time. */
export type OpenSheet =
  | { for: 'go' }
  | { for: 'calendar' }
  | { for: 'jot' }
  | { for: 'keys' }
  | { for: 'visited' }
  | { for: 'trail'; entryId: string }
  | { for: 'move'; entries: ChosenEntry[] }
  | { for: 'entry'; entryId: string }
  | { for: 'make'; kind: EntryKind; parentId: string | null; afterId?: string | null }
  | { for: 'describe'; entryId: string }
  | { for: 'takeOut'; entryId: string }
  | { for: 'takeOutFound'; line: string }
  | { for: 'voice' }
  | { for: 'card' }
  | { for: 'send'; pageId: string; ids: string[] }
  | { for: 'liftTo'; pageId: string; ids: string[] | null }
  | { for: 'template'; templateId: string; place: { parentId: string; afterId?: string | null } }
  | { for: 'templateOf'; entryId: string }
  | { for: 'names'; entryId: string }
  | { for: 'merge'; entryId: string }
  | { for: 'kindsOf'; entryId: string }
  | { for: 'log'; entryId: string }
  | { for: 'wear'; pageIds: string[]; blockIds?: string[] }
  | { for: 'meeting'; pageId: string; blockId: string };

/** What the screen is doing. */
interface ViewState extends KeptView {
  sheet: OpenSheet | null;
  /** Whether the strip of keys stands along the bottom. */
  isStripOpen: boolean;
  /** Whether the contents are drawn over the page, where there is no room beside it. */
  isContentsDrawn: boolean;
  /** Whether everything but the text is put away on a wide screen. */
  isTextOnly: boolean;
  /** A short notice, with one action. */
  notice: { words: string; action?: 'undo' | 'reload' } | null;
  /** How far what was written has come. */
  saving: 'saved' | 'saving' | 'offline' | 'full';
  /** Deeds of the last day that can be taken back, the latest last, and those that were. */
  deeds: Deed[];
  undone: Deed[];
  /** Entries chosen in the contents, to be acted on together; null while nothing is being chosen. */
  chosen: ChosenEntry[] | null;
  /** The entry whose name is being written in the contents. */
  renamingId: string | null;
  /** Whether the panel for finding and replacing on the page is open. */
  isSearchOpen: boolean;
}

const initialState: ViewState = {
  sheet: null,
  isStripOpen: false,
  isContentsDrawn: false,
  isTextOnly: false,
  notice: null,
  saving: 'saved',
  deeds: [],
  undone: [],
  chosen: null,
  renamingId: null,
  isSearchOpen: false,
  ...keptView(),
};

const viewSlice = createSlice({
  name: 'view',
  initialState,
  reducers: {
    sheetOpened(state, action: PayloadAction<OpenSheet | null>) {
      state.sheet = action.payload;
      state.isStripOpen = false;
    },
    stripOpened(state, action: PayloadAction<boolean>) {
      state.isStripOpen = action.payload;
    },
    marginToggled(state) {
      state.isMarginAway = !state.isMarginAway;
    },
    contentsToggled(state) {
      state.isContentsAway = !state.isContentsAway;
    },
    contentsDrawn(state, action: PayloadAction<boolean>) {
      state.isContentsDrawn = action.payload;
    },
    textOnlyToggled(state) {
      state.isTextOnly = !state.isTextOnly;
    },
    noticed(state, action: PayloadAction<ViewState['notice']>) {
      state.notice = action.payload;
    },
    savingChanged(state, action: PayloadAction<ViewState['saving']>) {
      state.saving = action.payload;
    },
    /** Those of earlier visits come before those of this one. */
    deedsRecalled(state, action: PayloadAction<readonly Deed[]>) {
      const known = new Set(state.deeds.map(({ at }) => at));
      state.deeds = [...action.payload.filter(({ at }) => !known.has(at)), ...state.deeds];
    },
    /** Something new was done: what was taken back before can’t be done again. */
    done(state, action: PayloadAction<Deed>) {
      state.deeds.push(action.payload);
      state.undone = [];
    },
    takenBack(state, action: PayloadAction<Deed>) {
      state.deeds.pop();
      state.undone.push(action.payload);
    },
    doneAgain(state, action: PayloadAction<Deed>) {
      state.undone.pop();
      state.deeds.push(action.payload);
    },
    chose(state, action: PayloadAction<ChosenEntry[] | null>) {
      state.chosen = action.payload;
    },
    toggledChosen(state, action: PayloadAction<ChosenEntry>) {
      const chosen = state.chosen ?? [];
      const others = chosen.filter((each) => each.id !== action.payload.id);
      state.chosen = others.length < chosen.length ? others : [...chosen, action.payload];
    },
    besideOpened(state, action: PayloadAction<string | null>) {
      state.besideId = action.payload;
    },
    searchOpened(state, action: PayloadAction<boolean>) {
      state.isSearchOpen = action.payload;
    },
    renaming(state, action: PayloadAction<string | null>) {
      state.renamingId = action.payload;
    },
  },
});

export const {
  sheetOpened,
  stripOpened,
  marginToggled,
  contentsToggled,
  contentsDrawn,
  textOnlyToggled,
  noticed,
  savingChanged,
  deedsRecalled,
  done,
  takenBack,
  doneAgain,
  chose,
  toggledChosen,
  renaming,
  besideOpened,
  searchOpened,
} = viewSlice.actions;
export const viewReducer = viewSlice.reducer;
