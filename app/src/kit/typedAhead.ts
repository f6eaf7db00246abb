/** What is typed while a sheet is on its way, which would else be lost or act: it belongs to the sheet’s field. */
let ahead = '';
let lastAt = 0;

/** What was typed longer ago was meant for something else. In milliseconds. */
const WITHIN = 5_000;

type Key = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey'>;

/** Notes a key that was pressed meanwhile; false when it is none that types. */
export function typeAhead({ key, ctrlKey, metaKey, altKey }: Key, now = Date.now()): boolean {
  if (ctrlKey || metaKey || altKey) return false;
  const isLetter = Array.from(key).length === 1;
  if (!isLetter && key !== 'Backspace') return false;
  const before = now - lastAt > WITHIN ? '' : ahead;
  ahead = isLetter ? before + key : before.slice(0, -1);
  lastAt = now;
  return true;
}

/** Takes what was typed, once. */
export function takeTypedAhead(now = Date.now()): string {
  const taken = now - lastAt > WITHIN ? '' : ahead;
  ahead = '';
  return taken;
}
