/** @jest-environment jsdom */
import { useRef } from 'react';
import { createRoot } from 'react-dom/client';
import { useModal } from './useModal';

function Menu({ onClose }: { onClose: () => void }) {
  const menu = useRef<HTMLDivElement>(null);
  useModal(menu, onClose);
  return (
    <div ref={menu} role="dialog" tabIndex={-1}>
      <button data-first-focus>Rename</button>
    </div>
  );
}

// Drawn as a browser draws it: what is due once it is drawn comes in its own time.
beforeAll(() => Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false }));
jest.mock('focus-trap', () => ({ createFocusTrap: () => ({ activate: jest.fn(), deactivate: jest.fn() }) }));

test('S4 what lies over the screen has the focus and closes by Esc as soon as it is drawn, and gives the focus back', async () => {
  document.body.innerHTML = '<textarea></textarea><main></main>';
  const [text, screen] = [document.querySelector('textarea')!, document.querySelector('main')!];
  text.focus();
  const root = createRoot(screen);
  const focused: string[] = [];
  let isOpen = true;
  const drawn = new Promise<void>((resolve) => {
    new MutationObserver((_changes, observer) => {
      observer.disconnect();
      focused.push(document.activeElement!.textContent);
      document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
      resolve();
    }).observe(screen, { childList: true });
  });
  root.render(<Menu onClose={() => (isOpen = false)} />);
  await drawn;
  expect(focused).toEqual(['Rename']);
  expect(isOpen).toBe(false);
  root.render(null);
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(document.activeElement).toBe(text);
});
