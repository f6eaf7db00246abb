import { HeldKeys } from './heldKeys';

jest.useFakeTimers();

const key = (name: string, more: Partial<KeyboardEvent> = {}): KeyboardEvent =>
  ({ key: name, keyCode: 0, shiftKey: false, getModifierState: () => false, ...more }) as KeyboardEvent;

/** A text with a list that takes Enter once it is here: what stands in it after the keys were pressed. */
class Text {
  words = '';
  isListOpen = true;
  isListHere = false;
  held = new HeldKeys((pressed) => this.reach(pressed as KeyboardEvent));

  /** As a browser does: what is not held goes to the list or to the text. */
  press(...keys: KeyboardEvent[]): this {
    for (const pressed of keys) if (!this.held.take(pressed)) this.reach(pressed);
    return this;
  }

  private reach(pressed: KeyboardEvent): void {
    if (pressed.key === 'Enter' && this.isListOpen) {
      if (!this.isListHere && this.held.hold(pressed)) return;
      this.isListOpen = false;
      this.words += this.isListHere ? '<chosen>' : '¶';
    } else if (pressed.key === '/') this.isListOpen = true;
    else if (pressed.key !== 'Shift') this.words += pressed.key === 'Enter' ? '¶' : pressed.key;
  }
}

test('X2 keys pressed before a list is here come after what it puts in, in their order', () => {
  const text = new Text().press(key('Enter'), key('a'), key('Shift'), key('b'), key('Backspace'), key('c'));
  expect(text.words).toBe('');
  text.isListHere = true;
  text.held.go();
  expect(text.words).toBe('<chosen>ac');
  expect(text.press(key('d')).words).toBe('<chosen>acd');
});

test('X2 a second list that is still on its way holds what is left', () => {
  const text = new Text().press(key('Enter'), key('a'), key('/'), key('Enter'), key('b'));
  text.isListHere = true;
  const { press } = text.held as unknown as { press: (pressed: KeyboardEvent) => void };
  // The next list opens with the slash and is not here yet.
  Object.assign(text.held, {
    press: (pressed: KeyboardEvent) => {
      press(pressed);
      if (pressed.key === '/') text.isListHere = false;
    },
  });
  text.held.go();
  expect(text.words).toBe('<chosen>a');
  text.isListHere = true;
  text.held.go();
  expect(text.words).toBe('<chosen>a<chosen>b');
});

test('X2 a list that does not come, a command or a composed letter leaves the keys to the text', () => {
  const late = new Text().press(key('Enter'), key('a'));
  jest.advanceTimersByTime(5_000);
  expect(late.words).toBe('¶a');
  expect(new Text().press(key('Enter'), key('a'), key('z', { ctrlKey: true })).words).toBe('¶az');
  expect(new Text().press(key('Enter'), key('x', { keyCode: 229 })).words).toBe('¶x');
  expect(new Text().press(key('Enter'), key('ArrowLeft')).words).toBe('¶ArrowLeft');
});

test('X2 letters that a layout makes with Alt or AltGr are held like others', () => {
  const graph = (name: string) => name === 'AltGraph';
  const text = new Text().press(
    key('Enter'),
    key('@', { ctrlKey: true, altKey: true, getModifierState: graph }),
    key('å', { altKey: true }),
  );
  text.isListHere = true;
  text.held.go();
  expect(text.words).toBe('<chosen>@å');
});

test('X2 a text that is gone is written in no more', () => {
  const text = new Text().press(key('Enter'), key('a'));
  text.held.end();
  jest.advanceTimersByTime(5_000);
  expect(text.words).toBe('');
});
