import { face } from '../../theme/tokens';

/** How the ways to the places that are always at hand look: in the rail, and in the bar within a thumb's reach. */
export const shellSheet = `
.skip-link { position: fixed; left: 12px; top: -60px; z-index: 70; padding: 12px 16px; background: var(--leaf); color: var(--lapis); font: 500 17px/22px ${face.interface};}
.skip-link:focus { top: 10px; box-shadow: 0 4px 16px var(--shadow); }
.rail-link { display: block; padding: 6px 0 6px 17px; border-inline-start: 3px solid transparent; color: var(--soft); text-decoration: none; font: 16px/22px ${face.interface}; touch-action: manipulation; }
.rail-link[aria-current] { border-inline-start-color: var(--vermilion); color: var(--vermilion); font-weight: 700; }
.bar-link { flex: 1; display: flex; align-items: center; justify-content: center; border-top: 3px solid transparent; color: var(--soft); text-decoration: none; font: 15px/20px ${face.interface}; touch-action: manipulation; }
.bar-link[aria-current] { border-top-color: var(--vermilion); color: var(--vermilion); font-weight: 700; }
`;
