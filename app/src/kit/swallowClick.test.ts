/** @jest-environment jsdom */

import { swallowClick } from './swallowClick';

let clicks = 0;
const button = document.createElement('button');
button.addEventListener('click', () => (clicks += 1));
const click = (detail = 1) =>
  button.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true, detail }));
const begin = (name: string) => button.dispatchEvent(new Event(name, { bubbles: true }));

beforeEach(() => {
  clicks = 0;
  document.body.append(button);
});

test('the click of what was lifted does nothing, however late; the next one does', () => {
  const held = swallowClick();
  held.lift();
  click();
  expect(clicks).toBe(0);
  click();
  expect(clicks).toBe(1);
});

test.each(['pointerdown', 'touchstart'])(
  'what is begun by %s after it is another click, when none belonged to what was lifted',
  (gesture) => {
    const held = swallowClick();
    begin(gesture);
    click();
    expect(clicks).toBe(0);
    held.lift();
    begin(gesture);
    click();
    expect(clicks).toBe(1);
  },
);

test('what a key presses, or a screen reader, is no click of what was lifted', () => {
  const held = swallowClick();
  held.lift();
  click(0);
  expect(clicks).toBe(1);
  click();
  expect(clicks).toBe(1);
});
