/** What is typed while a sheet is on its way, which would else be lost or act: it belongs to the sheet’s field. */
let ahead = '';
let lastAt = 0;

/** What was typed longer ago was meant for something else; a slow network takes long. In milliseconds. */
const WITHIN = 20_000;

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

/** What moves in a sheet, or takes what has the focus there. */
const MOVES = /^(Arrow(Left|Right|Up|Down)|Page(Up|Down)|Enter)$/u;

export type Move = Pick<KeyboardEvent, 'key' | 'shiftKey'>;

let moves: { sheet: string; made: Move[]; at: number } | null = null;

/** Notes a key that moves, pressed while this sheet is on its way; false when it is none. */
export function moveAhead(
  sheet: string,
  { key, shiftKey, ctrlKey, metaKey, altKey }: Key & Move,
  now = Date.now(),
): boolean {
  if (ctrlKey || metaKey || altKey || !MOVES.test(key)) return false;
  const before = moves?.sheet === sheet && now - moves.at <= WITHIN ? moves.made : [];
  moves = { sheet, made: [...before, { key, shiftKey }], at: now };
  return true;
}

/** Takes the moves that were made on the way to this sheet, once. */
export function takeMovesAhead(sheet: string, now = Date.now()): readonly Move[] {
  const taken = moves?.sheet === sheet && now - moves.at <= WITHIN ? moves.made : [];
  moves = null;
  return taken;
}
