import type { Act } from '@glossarion/core/acts';
import { MAX_ACTS } from '@glossarion/core/outline';
import { perform, takeBack } from './deeds';

/** What the server has in its bin, in the order in which it was put there; the act that it refuses, if any. */
let mockBin: string[] = [];
let mockRefused: string | null = null;
let mockLongest = 0;
let mockDeeds: { undo: Act[] }[] = [];
let mockTold: string[] = [];

jest.mock('./api', () => ({
  api: { endpoints: { acts: { initiate: (acts: Act[]) => ({ acts }) } } },
  isUnreached: () => false,
  problemSentence: () => 'It is gone.',
  UNREACHED: '',
}));
jest.mock('./shownAtOnce', () => ({ showAtOnce: () => () => undefined, bringText: () => false }));
jest.mock('./view', () => ({
  done: (deed: unknown) => ({ deed }),
  takenBack: () => ({}),
  doneAgain: () => ({}),
  noticed: (notice: unknown) => ({ notice }),
}));
jest.mock('./store', () => ({
  store: {
    getState: () => ({ view: { deeds: mockDeeds, undone: [] } }),
    dispatch: (action: { acts?: { do: string; id: string }[]; deed?: { undo: Act[] }; notice?: { words: string } }) => {
      if (action.deed) mockDeeds.push(action.deed);
      if (action.notice) mockTold.push(action.notice.words);
      const { acts } = action;
      if (!acts) return action;
      mockLongest = Math.max(mockLongest, acts.length);
      return {
        unwrap: async () => {
          if (acts.some(({ id }) => id === mockRefused)) throw new Error('refused');
          for (const { do: what, id } of acts) {
            if (what === 'bin') mockBin.push(id);
            else if (mockBin.pop() !== id) throw new Error('not in the order in which it was done');
          }
          const undo = acts.map(({ do: what, id }) => ({ do: what === 'bin' ? 'putBack' : 'bin', id })).reverse();
          return { undo, targets: [] };
        },
      };
    },
  },
}));

const many = Array.from({ length: 2 * MAX_ACTS + 7 }, (_each, index): Act => ({ do: 'bin', id: `page ${index}` }));

beforeEach(() => {
  [mockBin, mockDeeds, mockTold, mockRefused, mockLongest] = [[], [], [], null, 0];
});

test('O2 more than the server does at once is done piece by piece, and taken back as one', async () => {
  expect(await perform(many, 'What came in is in the bin.')).toBe(true);
  expect(mockBin).toEqual(many.map((act) => (act as { id: string }).id));
  expect(mockDeeds).toHaveLength(1);
  await takeBack();
  expect(mockBin).toEqual([]);
  expect(mockTold).toEqual(['What came in is in the bin.', 'Taken back: What came in is in the bin.']);
  expect(mockLongest).toBe(MAX_ACTS);
});

test('O2 where a piece is refused nothing is left done, and it is said', async () => {
  mockRefused = `page ${2 * MAX_ACTS + 3}`;
  expect(await perform(many, 'What came in is in the bin.')).toBe(false);
  expect([mockBin, mockDeeds]).toEqual([[], []]);
  expect(mockTold).toEqual(['It is gone.']);
});
