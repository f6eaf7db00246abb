import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Target } from '@glossarion/core/links';
import { api } from './api';

/** What every shown link says of its target: one record an id, kept present, so that a rename shows everywhere at once. */

interface TargetsState {
  known: Record<string, Target>;
}

const initialState: TargetsState = { known: {} };

const targetsSlice = createSlice({
  name: 'targets',
  initialState,
  reducers: {
    targetsKnown(state, action: PayloadAction<Target[]>) {
      for (const target of action.payload) state.known[target.id] = target;
    },
  },
  extraReducers: (builder) => {
    const take = (state: TargetsState, action: PayloadAction<unknown>) => {
      const payload = action.payload as { targets?: Target[] } | { targets?: Target[] }[];
      for (const each of Array.isArray(payload) ? payload : [payload]) {
        for (const target of each.targets ?? []) state.known[target.id] = target;
      }
    };
    builder
      .addMatcher(api.endpoints.page.matchFulfilled, take)
      .addMatcher(api.endpoints.day.matchFulfilled, take)
      .addMatcher(api.endpoints.daysBefore.matchFulfilled, take)
      .addMatcher(api.endpoints.daysAfter.matchFulfilled, take)
      .addMatcher(api.endpoints.tasks.matchFulfilled, take)
      .addMatcher(api.endpoints.brought.matchFulfilled, take)
      .addMatcher(api.endpoints.tray.matchFulfilled, take)
      .addMatcher(api.endpoints.around.matchFulfilled, take)
      .addMatcher(api.endpoints.desk.matchFulfilled, take)
      .addMatcher(api.endpoints.acts.matchFulfilled, take)
      .addMatcher(api.endpoints.margin.matchFulfilled, take)
      .addMatcher(api.endpoints.alsoNamed.matchFulfilled, take)
      .addMatcher(api.endpoints.glimpse.matchFulfilled, take);
  },
});

export const { targetsKnown } = targetsSlice.actions;
export const targetsReducer = targetsSlice.reducer;
