/** @jest-environment jsdom */

import { swallowClick } from './swallowClick';

let clicks = 0;
const button = document.createElement('button');
button.addEventListener('click', () => (clicks += 1));
const click = () => button.dispatchEvent(new Event('click', { bubbles: true, cancelable: true }));
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

test.each(['pointerdown', 'touchstart', 'keydown'])(
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
