import { createSlice, isAnyOf, type Action, type PayloadAction } from '@reduxjs/toolkit';
import type { Target } from '@glossarion/core/links';
import { api } from './api';

/** What every shown link says of its target: one record an id, kept present, so that a rename shows everywhere at once. */

interface TargetsState {
  known: Record<string, Target>;
  /**
   * In which order things were asked for and told of: what was asked for before something was told of a target tells
   * nothing newer of it, however late it is answered.
   */
  step: number;
  /** When the requests that are under way were begun, by their ids. */
  asked: Record<string, number>;
  toldAt: Record<string, number>;
}

const initialState: TargetsState = { known: {}, step: 0, asked: {}, toldAt: {} };

interface Answered {
  payload: unknown;
  meta: { requestId: string; arg: { endpointName: string } };
}

/** The questions whose answers have with them what the links in them show. */
const WITH_TARGETS: ReadonlySet<string> = new Set([
  ...['page', 'day', 'daysBefore', 'daysAfter', 'tasks', 'brought', 'tray', 'around', 'desk'],
  ...['margin', 'log', 'alsoNamed', 'glimpse', 'glimpseAround', 'tagLines', 'foundList'],
]);

const isRequest =
  (how: 'pending' | 'fulfilled' | 'rejected') =>
  (action: Action): action is Action & Answered =>
    action.type === `${api.reducerPath}/executeQuery/${how}` ||
    action.type === `${api.reducerPath}/executeMutation/${how}`;

const isWithTargets = (action: Action): action is Action & Answered =>
  isRequest('fulfilled')(action) && WITH_TARGETS.has(action.meta.arg.endpointName);

/** What an answer that has targets with it, or one for each of its parts, tells of them. */
const targetsWith = (payload: unknown): Target[] =>
  ((Array.isArray(payload) ? payload : [payload]) as { targets?: Target[] }[]).flatMap((each) => each.targets ?? []);

function tell(state: TargetsState, told: readonly Target[], at: number): void {
  for (const target of told) {
    if ((state.toldAt[target.id] ?? 0) > at) continue;
    state.known[target.id] = target;
    state.toldAt[target.id] = at;
  }
}

const targetsSlice = createSlice({
  name: 'targets',
  initialState,
  reducers: {
    targetsKnown(state, { payload }: PayloadAction<Target[]>) {
      tell(state, payload, (state.step += 1));
    },
  },
  extraReducers: (builder) => {
    const askedAt = (state: TargetsState, { meta }: Answered) => state.asked[meta.requestId] ?? 0;
    builder
      .addMatcher(isRequest('pending'), (state, { meta }) => {
        state.asked[meta.requestId] = state.step += 1;
      })
      .addMatcher(isWithTargets, (state, action) => tell(state, targetsWith(action.payload), askedAt(state, action)))
      .addMatcher(api.endpoints.targets.matchFulfilled, (state, action) =>
        tell(state, action.payload, askedAt(state, action)),
      )
      // What an act tells is so when it is done, whenever it was asked for.
      .addMatcher(api.endpoints.acts.matchFulfilled, (state, { payload }) =>
        tell(state, payload.targets, (state.step += 1)),
      )
      .addMatcher(isAnyOf(isRequest('fulfilled'), isRequest('rejected')), (state, { meta }) => {
        delete state.asked[meta.requestId];
      });
  },
});

export const { targetsKnown } = targetsSlice.actions;
export const targetsReducer = targetsSlice.reducer;
