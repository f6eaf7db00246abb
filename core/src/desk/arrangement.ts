/** What the Desk gathers, in the order it is shipped in: on a phone the most used comes first. */
export const DESK_PARTS = [
  'pins',
  'due',
  'tray',
  'recent',
  'tasks',
  'forgotten',
  'week',
  'searches',
  'unwritten',
] as const;
export type DeskPart = (typeof DESK_PARTS)[number];

/** How much of a part is shown. */
export const DESK_SIZES = ['few', 'some', 'many'] as const;
export type DeskSize = (typeof DESK_SIZES)[number];

/** How many lines each size shows. */
export const DESK_LINES: Record<DeskSize, number> = { few: 4, some: 8, many: 30 };

export interface ArrangedPart {
  part: DeskPart;
  size: DeskSize;
  isHidden: boolean;
}

export type DeskArrangement = readonly ArrangedPart[];

const SHIPPED: DeskArrangement = DESK_PARTS.map((part) => ({
  part,
  size: part === 'pins' ? 'some' : 'few',
  isHidden: false,
}));

export interface DeskSetting {
  phone: DeskArrangement | null;
  wide: DeskArrangement | null;
}

/** The arrangement for one kind of screen: its own, else that of the other, else as shipped; every part in it once. */
export function arrangementFor(screen: 'phone' | 'wide', setting: DeskSetting | undefined): DeskArrangement {
  const other = screen === 'phone' ? 'wide' : 'phone';
  const chosen = setting?.[screen] ?? setting?.[other] ?? SHIPPED;
  const missing = SHIPPED.filter(({ part }) => chosen.every((each) => each.part !== part));
  return [...chosen, ...missing];
}

/** The arrangement with a part one place earlier (-1) or later (1). */
export function movePart(arrangement: DeskArrangement, part: DeskPart, by: -1 | 1): DeskArrangement {
  const index = arrangement.findIndex((each) => each.part === part);
  const target = index + by;
  if (index < 0 || target < 0 || target >= arrangement.length) return arrangement;
  const moved = [...arrangement];
  [moved[index], moved[target]] = [moved[target]!, moved[index]!];
  return moved;
}
