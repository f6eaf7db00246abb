/** What of the view outlives a reload: the page beside for this window, what was put away for this browser. */
export interface KeptView {
  /** The page that stands beside the one that is shown, or is kept to switch to on a phone. */
  besideId: string | null;
  /** Whether the contents, or the Margin, are put away on a wide screen. */
  isContentsAway: boolean;
  isMarginAway: boolean;
}

const BESIDE = 'glossarion-beside';
const AWAY = 'glossarion-away';

export function keptView(): KeptView {
  try {
    const away = (localStorage.getItem(AWAY) ?? '').split(' ');
    return {
      besideId: sessionStorage.getItem(BESIDE),
      isContentsAway: away.includes('contents'),
      isMarginAway: away.includes('margin'),
    };
  } catch {
    // A browser that keeps nothing opens the page alone, with all that belongs to it.
    return { besideId: null, isContentsAway: false, isMarginAway: false };
  }
}

export function keepView({ besideId, isContentsAway, isMarginAway }: KeptView): void {
  const away = [isContentsAway && 'contents', isMarginAway && 'margin'].filter(Boolean).join(' ');
  try {
    keep(sessionStorage, BESIDE, besideId);
    keep(localStorage, AWAY, away || null);
  } catch {
    // It holds until the next reload.
  }
}

function keep(storage: Storage, key: string, value: string | null): void {
  if (value === null) storage.removeItem(key);
  else storage.setItem(key, value);
}
