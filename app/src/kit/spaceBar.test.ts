import type { KeyboardEvent } from 'react';
import { pressedBySpaceBar } from './spaceBar';

const key = (options: Partial<KeyboardEvent<HTMLElement>> = {}) => {
  const target = {} as HTMLElement;
  const prevent = jest.fn();
  const event = { key: ' ', target, currentTarget: target, repeat: false, preventDefault: prevent, ...options };
  return { event: event as unknown as KeyboardEvent<HTMLElement>, prevent };
};

test.each(['checkbox', 'switch', 'radio'])('a %s is pressed by the space bar, and the page does not scroll', (role) => {
  const press = jest.fn();
  const { event, prevent } = key();
  pressedBySpaceBar(role, press)!(event);
  expect(press).toHaveBeenCalledTimes(1);
  expect(prevent).toHaveBeenCalledTimes(1);
});

test('not by another key, nor while it is held, nor for what stands in it, nor where that was seen to', () => {
  const press = jest.fn();
  for (const options of [{ key: 'a' }, { repeat: true }, { target: {} as HTMLElement }, { defaultPrevented: true }]) {
    pressedBySpaceBar('checkbox', press)!(key(options).event);
  }
  expect(press).not.toHaveBeenCalled();
});

test('a button is left to what presses buttons already, and keeps its own keys', () => {
  const press = jest.fn();
  const also = jest.fn();
  expect(pressedBySpaceBar('button', press, also)).toBe(also);
  pressedBySpaceBar('radio', press, also)!(key().event);
  expect(also).toHaveBeenCalledTimes(1);
});
