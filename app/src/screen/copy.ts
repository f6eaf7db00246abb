import { store } from '../state/store';
import { noticed } from '../state/view';

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/**
 * Puts an address on the clipboard: as an ordinary web address, and beside it as a titled link for what can take one.
 *
 * @param what what the notice calls it: “this page”
 */
export async function copyAddress(address: string, title: string, what: string): Promise<void> {
  try {
    const html = `<a href="${escaped(address)}">${escaped(title || address)}</a>`;
    const item = new ClipboardItem({
      'text/plain': new Blob([address], { type: 'text/plain' }),
      'text/html': new Blob([html], { type: 'text/html' }),
    });
    await navigator.clipboard.write([item]);
  } catch {
    try {
      await navigator.clipboard.writeText(address);
    } catch {
      store.dispatch(noticed({ words: `The clipboard can’t be reached. The link is ${address}` }));
      return;
    }
  }
  store.dispatch(noticed({ words: `The link to ${what} is on the clipboard.` }));
}
