/** When something is for: the daily view shows what is for now; what is for later or laid aside is folded away. */
export const SEASONS = ['now', 'later', 'aside'] as const;
export type Season = (typeof SEASONS)[number];

/** The season something is in, given its own and that of everything it stands in: laid aside counts most. */
export const carriedSeason = (line: readonly Season[]): Season =>
  line.includes('aside') ? 'aside' : line.includes('later') ? 'later' : 'now';

/** How a season is said; what is for now needs no word. */
export const SEASON_WORDS: Record<Season, string> = { now: '', later: 'for later', aside: 'laid aside' };
