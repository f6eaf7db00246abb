import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import { around, later } from './later';

/** A part whose code is missed so many times before it comes. */
function missed(times: number) {
  const load = jest.fn(async () => {
    if (load.mock.calls.length <= times) throw new Error('Loading chunk failed');
    return ({ words }: { words: string }) => <Text>{words}</Text>;
  });
  return { load, Part: later(load, true) };
}

test('a part comes when it is asked for, and is drawn at once after that', async () => {
  const { load, Part } = missed(0);
  render(<Part words="The Margin" />);
  expect(await screen.findByText('The Margin')).toBeTruthy();
  render(<Part words="Once more" />);
  expect(screen.getByText('Once more')).toBeTruthy();
  expect(load).toHaveBeenCalledTimes(1);
});

test('a part that can’t be fetched says so, and is fetched when one tries again', async () => {
  const { load, Part } = missed(2);
  render(<Part words="The Margin" />);
  expect(await screen.findByText(/could not be fetched.*What you wrote is kept/u)).toBeTruthy();
  fireEvent.press(screen.getByText('Try again'));
  expect(await screen.findByText(/could not be fetched/u)).toBeTruthy();
  fireEvent.press(screen.getByText('Try again'));
  expect(await screen.findByText('The Margin')).toBeTruthy();
  expect(load).toHaveBeenCalledTimes(3);
});

test('a part that stands around says nothing while it can’t be fetched, and comes as soon as it can', async () => {
  jest.useFakeTimers();
  const { load } = missed(2);
  const Part = around(load);
  render(<Part words="The pile" />);
  await act(() => jest.advanceTimersByTimeAsync(1_000));
  expect(screen.toJSON()).toBeNull();
  expect(load).toHaveBeenCalledTimes(1);
  for (let second = 0; second < 10; second += 1) await act(() => jest.advanceTimersByTimeAsync(1_000));
  expect(screen.getByText('The pile')).toBeTruthy();
  expect(load).toHaveBeenCalledTimes(3);
  jest.useRealTimers();
});

test('what stands in its own place says there that it could not be fetched, and over nothing, though it can be closed', async () => {
  const Part = later<{ onClose: () => void }>(() => Promise.reject(new Error('Loading chunk failed')));
  render(<Part onClose={() => undefined} />);
  expect(await screen.findByText(/could not be fetched/u)).toBeTruthy();
  expect(screen.queryByRole('alert')).toBeNull();
});
