import { store } from '../../state/store';
import { besideOpened, noticed } from '../../state/view';

/** Keeps a page beside whatever is opened next; asked again of the same page, puts it away. */
export function keepBeside(pageId: string | undefined): void {
  const { besideId } = store.getState().view;
  if (!pageId) return void store.dispatch(noticed({ words: 'Open a page first.' }));
  if (besideId !== null) return putAwayBeside();
  store.dispatch(besideOpened(pageId));
  store.dispatch(noticed({ words: 'This page stays beside the next one you open.' }));
}

export const putAwayBeside = (): void => void store.dispatch(besideOpened(null));
