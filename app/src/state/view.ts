import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What the screen is doing. */
interface ViewState {
  /** Whether Go to is open. */
  isGoOpen: boolean;
  /** Whether the sheet of keys is open. */
  isKeysOpen: boolean;
  /** Whether the Margin is put away on a wide screen. */
  isMarginHidden: boolean;
  /** A short notice, with one action to take it back. */
  notice: { words: string; undo?: { label: string; entryId: string } } | null;
  /** How far what was written has come. */
  saving: 'saved' | 'saving' | 'offline';
}

const initialState: ViewState = {
  isGoOpen: false,
  isKeysOpen: false,
  isMarginHidden: false,
  notice: null,
  saving: 'saved',
};

const viewSlice = createSlice({
  name: 'view',
  initialState,
  reducers: {
    goOpened(state, action: PayloadAction<boolean>) {
      state.isGoOpen = action.payload;
    },
    keysOpened(state, action: PayloadAction<boolean>) {
      state.isKeysOpen = action.payload;
    },
    marginToggled(state) {
      state.isMarginHidden = !state.isMarginHidden;
    },
    noticed(state, action: PayloadAction<ViewState['notice']>) {
      state.notice = action.payload;
    },
    savingChanged(state, action: PayloadAction<ViewState['saving']>) {
      state.saving = action.payload;
    },
  },
});

export const { goOpened, keysOpened, marginToggled, noticed, savingChanged } = viewSlice.actions;
export const viewReducer = viewSlice.reducer;
