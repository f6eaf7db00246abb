import { expectedTexts } from './expected';

test('texts that hold several words are as many as chance would have it', () => {
  expect(expectedTexts([], 1_000)).toBe(1_000);
  expect(expectedTexts([0, 500], 1_000)).toBe(0);
  expect(expectedTexts([10, 100_000], 1_000)).toBeCloseTo(10, 0);
  // Drawn by lot: two words of 300 lines each in 1,000 texts.
  let state = 7;
  const text = () => (state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 1) % 1_000;
  let both = 0;
  for (let turn = 0; turn < 200; turn += 1) {
    const texts = () => new Set(Array.from({ length: 300 }, text));
    const [one, other] = [texts(), texts()];
    both += [...one].filter((each) => other.has(each)).length / 200;
  }
  expect(expectedTexts([300, 300], 1_000) / both).toBeCloseTo(1, 1);
});
