import { store } from '../state/store';
import { contentsDrawn, contentsToggled } from '../state/view';
import { windowWidth } from '../theme/rem';
import { roomFor } from '../theme/room';

/** Shows the contents, or puts them away: beside the page where there is room, else drawn over it. */
export function toggleContents(): void {
  const { isTextOnly, isContentsDrawn, besideId } = store.getState().view;
  const wanted = { isTextOnly, contents: true, margin: false, beside: besideId !== null };
  const { hasContents } = roomFor(windowWidth(), wanted);
  store.dispatch(hasContents ? contentsToggled() : contentsDrawn(!isContentsDrawn));
}
