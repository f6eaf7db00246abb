import { face } from '../../theme/tokens';

/** How trails and lists of places look. */
export const trailSheet = `
.trail { display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 6px; flex: 1; min-width: 0; font: 16px/24px ${face.interface}; color: var(--soft); }
.trail a { color: inherit; }
.trail:not(.phone) a { text-decoration: none; }
.trail-part { display: inline-flex; align-items: baseline; column-gap: 5px; min-width: 0; }
.trail a:hover { text-decoration: underline; }
.trail-step { display: inline-block; max-width: 26ch; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; vertical-align: bottom; text-underline-offset: 3px; }
.trail.phone .trail-step { max-width: 22ch; }
.trail-here { color: var(--ink); min-width: 0; max-width: 34ch; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.trail-ways { display: inline-flex; margin-inline-start: -6px; }
.trail-ways button { font: 16px/24px ${face.code}; color: var(--soft); background: none; border: 0; min-width: 26px; min-height: 28px; padding: 0 5px; cursor: pointer; }
.trail-between { font: inherit; color: var(--soft); background: none; border: 0; padding: 0 2px; text-decoration: underline dotted 1px; text-underline-offset: 3px; cursor: pointer; }
.trail.phone { align-items: center; flex-wrap: nowrap; }
.trail.phone .trail-ways { margin-inline-start: 0; }
.trail.phone .trail-ways button { width: 44px; height: 44px; font-size: 20px; padding-inline-start: 12px; text-align: start; }
@media (hover: none) { .trail.phone .trail-line { min-height: 50px; align-content: center; } .trail.phone .trail-step, .trail.phone .trail-between { display: inline-flex; align-items: center; min-height: 44px; min-width: 44px; padding-block: 0; } }
@media (max-width: 300px) { .trail.phone { flex: 1 1 100%; } .trail.phone .trail-step { display: inline; max-width: none; white-space: normal; overflow-wrap: anywhere; } .trail-part { display: inline; } .trail-part > :first-child { margin-inline-end: 5px; } }
.trail.phone .trail-line { flex: 1; min-width: 0; padding: 4px 0; display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 5px; }
.trail.phone .trail-step, .trail.phone .trail-between { padding-block: 3px; }
.places { list-style: none; margin: 0; padding: 0; }
.places a { display: flex; justify-content: space-between; gap: 14px; align-items: baseline; min-height: 44px; box-sizing: border-box; padding: 10px 0; color: var(--ink); text-decoration: none; font: 500 17px/22px ${face.interface}; overflow-wrap: anywhere; border-bottom: 1px solid var(--rule); }
.places a:hover { color: var(--verdigris); }
.places [role=time] { color: var(--soft); font-weight: 400; font-size: 15px; flex-shrink: 0; }
.leaves { display: flex; gap: 2px; overflow-x: auto; margin: 2px 0 8px; padding: 0 1px; scrollbar-width: thin; border-bottom: 1px solid var(--rule); }
.leaf { flex: 0 0 auto; max-width: 24ch; min-height: 44px; box-sizing: border-box; display: flex; align-items: center; padding: 4px 14px 2px 4px; color: var(--soft); text-decoration: none; font: italic 17px/21px ${face.writing}; position: relative; }
.leaf span { overflow: hidden; display: -webkit-box; -webkit-box-orient: vertical; -webkit-line-clamp: 2; overflow-wrap: anywhere; }
.leaf::after { content: ''; position: absolute; inset-inline-end: 5px; top: 13px; bottom: 11px; border-inline-end: 1px solid var(--rule); transform: rotate(14deg); }
.leaf:last-child::after { content: none; }
.leaf[aria-current] { color: var(--vermilion); font-style: normal; font-weight: 700; }
.leaf:first-child { font-style: normal; }
`;
