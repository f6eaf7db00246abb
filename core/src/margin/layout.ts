/** The glosses of one line as they want to stand in the column; all measures in pixels, from the column's top. */
export interface StackWish {
  key: string;
  /** Where the line begins. */
  wanted: number;
  /** How high it is with all its glosses open; Infinity when it was not measured, since it can't fit. */
  open: number;
  /** How high it is closed: with the first words of what it holds, and with one line alone. */
  closed: number;
  short: number;
  /** Whether somebody opened it. */
  isOpened: boolean;
}

export type StackState = 'open' | 'closed' | 'short';

export interface StackPlace {
  key: string;
  top: number;
  height: number;
  state: StackState;
}

export interface ColumnRoom {
  /** Where the first may begin and the last should end. */
  first: number;
  end: number;
  gap: number;
  /** An open stack is no higher than this: it is scrolled within. */
  highest: number;
  /** The stack that begins exactly at its line whatever stands before it: the cursor is there. */
  presentKey: string | null;
}

/** How far below its line a stack may begin so that one before it can be open: a line and a half of the text. */
export const SLACK = 40;

/**
 * Where each stack stands, in the order of their lines: beside its line, open where all its glosses fit before the next
 * line that has some, else closed. What was opened pushes what is below, and the present one pushes nothing but what is
 * above it: stacks there close, then move up.
 */
export function layoutStacks(wishes: readonly StackWish[], room: ColumnRoom): StackPlace[] {
  const present = wishes.findIndex(({ key }) => key === room.presentKey);
  const opened = wishes.map(({ isOpened }, index) => isOpened || index === present);
  let places = downwards(wishes, opened, present, room);
  // The nearest that was opened before the present one gives way first.
  for (let index = present - 1; index >= 0 && isPushed(places, wishes, present); index -= 1) {
    if (!opened[index]) continue;
    opened[index] = false;
    places = downwards(wishes, opened, present, room);
  }
  if (present >= 0 && isPushed(places, wishes, present)) places = movedUp(places, wishes, present, room);
  return places;
}

const isPushed = (places: readonly StackPlace[], wishes: readonly StackWish[], index: number): boolean =>
  places[index]!.top > wishes[index]!.wanted;

function downwards(
  wishes: readonly StackWish[],
  opened: readonly boolean[],
  present: number,
  { first, end, gap, highest }: ColumnRoom,
): StackPlace[] {
  let free = first;
  return wishes.map((wish, index) => {
    const top = Math.max(wish.wanted, free);
    const next = wishes[index + 1]?.wanted ?? end;
    const limit = Math.max(first, next);
    const slack = index + 1 === present || index + 1 === wishes.length ? 0 : SLACK;
    const heights: Record<StackState, number> = {
      open: Math.min(wish.open, highest),
      closed: wish.closed,
      short: wish.short,
    };
    const fits = (state: StackState, more = 0) => top + heights[state] + gap <= limit + more;
    // One that would have to be scrolled does not fit, however much room there is.
    const isWhole = wish.open <= highest;
    const state = opened[index] || (isWhole && fits('open', slack)) ? 'open' : fits('closed') ? 'closed' : 'short';
    free = top + heights[state] + gap;
    return { key: wish.key, top, height: heights[state], state };
  });
}

/** The present stack at its line, and those before it as far up as they have to be, but not past the column's head. */
function movedUp(
  places: readonly StackPlace[],
  wishes: readonly StackWish[],
  present: number,
  { first, gap }: ColumnRoom,
): StackPlace[] {
  const least = places.slice(0, present).reduce((sum, { height }) => sum + height + gap, first);
  const moved = [...places];
  let bottom = Math.max(wishes[present]!.wanted, least);
  for (let index = present; index >= 0; index -= 1) {
    const place = moved[index]!;
    const top = index === present ? bottom : Math.min(place.top, bottom - gap - place.height);
    moved[index] = { ...place, top };
    bottom = top;
  }
  let free = moved[present]!.top + moved[present]!.height + gap;
  for (let index = present + 1; index < moved.length; index += 1) {
    const top = Math.max(wishes[index]!.wanted, free);
    moved[index] = { ...moved[index]!, top };
    free = top + moved[index]!.height + gap;
  }
  return moved;
}
