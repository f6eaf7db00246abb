import { newId } from '@glossarion/core/document';
import { dayId, localDay } from '@glossarion/core/journal';
import { pageAt } from './pageAt';

const account = newId();
const id = newId();
const today = localDay(new Date());

test('S2 the page at an address is asked for ahead, and nothing for an address that names none', () => {
  expect(pageAt(`/p/${id}`, account)).toEqual({ id, day: null });
  expect(pageAt('/day/2026-03-09', account)).toEqual({ id: dayId(account, '2026-03-09'), day: '2026-03-09' });
  for (const path of ['/', '/today']) expect(pageAt(path, account)).toEqual({ id: dayId(account, today), day: today });
  for (const path of ['/p/nonsense', '/p/', '/p', '/day/2026-02-31', '/day/soon', '/desk', `/b/${id}`, `/n/${id}`]) {
    expect(pageAt(path, account)).toBeNull();
  }
});
