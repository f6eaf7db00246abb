import { isId } from '@glossarion/core/document';
import { dayId, isDay, localDay } from '@glossarion/core/journal';

/** The page that is shown at an address, and its day when it is one; null where none is, or only the server knows. */
export function pageAt(path: string, accountId: string): { id: string; day: string | null } | null {
  const [, place = '', name = ''] = path.split('/');
  if (place === 'p') return isId(name) ? { id: name, day: null } : null;
  const day = place === 'day' ? name : ['', 'today'].includes(place) ? localDay(new Date()) : null;
  return day !== null && isDay(day) ? { id: dayId(accountId, day), day } : null;
}
