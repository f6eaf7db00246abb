import { fireEvent, render, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import { later } from './later';

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
