/** @jest-environment jsdom */
import { keepFocus } from './keepFocus';

const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
const byId = (id: string) => document.getElementById(id)!;

/** Leaves an element as a browser does, which tells of it; jsdom does not. */
function leave(id: string): void {
  byId(id).dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
  byId(id).blur();
}

function takeOut(id: string): void {
  leave(id);
  byId(id).remove();
}

describe('the focus of what is taken out of the screen', () => {
  let stop: () => void;
  beforeEach(() => {
    document.body.innerHTML =
      '<main id="main" tabindex="-1"><section id="sheet" tabindex="-1"><p><button id="away"></button></p><button id="other"></button></section></main>';
    stop = keepFocus();
  });
  afterEach(() => stop());

  it('goes to what it stood in', async () => {
    byId('away').focus();
    takeOut('away');
    await frame();
    expect(document.activeElement?.id).toBe('sheet');
  });

  it('goes to the screen when that is gone too', async () => {
    byId('away').focus();
    leave('away');
    byId('sheet').remove();
    await frame();
    expect(document.activeElement?.id).toBe('main');
  });

  it('stays where it was given meanwhile', async () => {
    byId('away').focus();
    takeOut('away');
    byId('other').focus();
    await frame();
    expect(document.activeElement?.id).toBe('other');
  });

  it('is let go by what stays', async () => {
    byId('away').focus();
    leave('away');
    await frame();
    expect(document.activeElement).toBe(document.body);
  });
});
