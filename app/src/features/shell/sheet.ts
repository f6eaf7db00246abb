import { face } from '../../theme/tokens';

/** How the ways to the places that are always at hand look: in the rail, and in the bar within a thumb's reach. */
export const shellSheet = `
.skip-link { position: fixed; left: 12px; top: -60px; z-index: 70; padding: 12px 16px; background: var(--leaf); color: var(--lapis); font: 500 17px/22px ${face.interface};}
.skip-link:focus { top: 10px; box-shadow: 0 4px 16px var(--shadow); }
.rail-link { display: block; padding: 6px 0 6px 17px; border-inline-start: 3px solid transparent; color: var(--soft); text-decoration: none; font: 16px/22px ${face.interface}; touch-action: manipulation; }
.rail-link[aria-current] { border-inline-start-color: var(--vermilion); color: var(--vermilion); font-weight: 700; }
.rail-count { float: inline-end; padding-inline-end: 14px; color: var(--soft); font: 14px/22px ${face.interface}; font-variant-numeric: lining-nums; }
.rail-jot { position: relative; } .rail-jot .rail-link { width: 100%; box-sizing: border-box; text-align: start; } .rail-count.way { position: absolute; inset-inline-end: 0; top: 0; bottom: 0; display: flex; align-items: center; float: none; padding-inline: 14px; text-decoration: none; } .rail-count.way:hover { text-decoration: underline; } .rail-jot[data-here] .rail-link, .rail-jot[data-here] .rail-count { color: var(--vermilion); font-weight: 700; } .rail-jot[data-here] .rail-link { border-inline-start-color: var(--vermilion); }
.bar-jot { flex: none; width: 56px; margin: 0 6px 8px; display: flex; align-items: center; justify-content: center; background: var(--spine-lapis); border-radius: 8px 8px 20px 20px; color: #fff; font: 700 16px/20px ${face.interface}; touch-action: manipulation; }
.bar-link { flex: 1; display: flex; align-items: center; justify-content: center; border-top: 3px solid transparent; color: var(--soft); text-decoration: none; font: 15px/20px ${face.interface}; touch-action: manipulation; }
.bar-link[aria-current] { border-top-color: var(--vermilion); color: var(--vermilion); font-weight: 700; }
`;
