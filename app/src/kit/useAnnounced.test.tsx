import { act, render, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import { useAnnounced } from './useAnnounced';

function Said({ words, isTrouble = false }: { words: string; isTrouble?: boolean }) {
  return <Text testID="said">{useAnnounced(words, isTrouble)}</Text>;
}
const said = () => screen.getByTestId('said').props.children as string;

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('S4 saving is announced at most twice a minute, trouble at once', () => {
  const heard: string[] = [];
  const { rerender } = render(<Said words="Saved" />);
  const show = (words: string, isTrouble = false) => {
    rerender(<Said words={words} isTrouble={isTrouble} />);
    if (said() !== heard.at(-1)) heard.push(said());
  };
  show('Saved');
  // Somebody writes for two minutes.
  for (let second = 0; second < 120; second += 1) {
    show(second % 2 ? 'Saved' : 'Saving');
    act(() => jest.advanceTimersByTime(1_000));
  }
  expect(heard.length).toBeLessThanOrEqual(5);
  show('Offline, kept here', true);
  expect(said()).toBe('Offline, kept here');
  show('Saved');
  expect(said()).toBe('Offline, kept here');
  act(() => jest.advanceTimersByTime(30_000));
  expect(said()).toBe('Saved');
});
