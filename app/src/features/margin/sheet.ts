import { face, measure } from '../../theme/tokens';

/** How the Margin looks: column, sheet and counts. */
export const marginSheet = `
.margin { position: relative; width: ${measure.margin}px; flex: none; padding: 12px 18px 0 0; box-sizing: border-box; }
.margin-head { display: flex; gap: 14px; align-items: baseline; margin-inline-start: 8px; padding-bottom: 7px; border-bottom: 1px solid var(--rule); font: 15px/20px ${face.interface}; color: var(--soft); }
.margin-head h2 { font: 700 15px/20px ${face.interface}; color: var(--ink); margin: 0; }
.margin-gloss { position: absolute; left: 8px; right: 18px; transition: top 140ms ease-out; }
@media (prefers-reduced-motion: reduce) { .margin-gloss { transition: none; } }
.margin .gloss { font-size: 15px; line-height: 19px; }
.gloss-origin { display: block; font: 14px/18px ${face.interface}; color: var(--soft) !important; text-decoration: none !important; padding-bottom: 1px; }
.gloss-origin:hover { text-decoration: underline !important; }
.gloss-detail::before { content: '·'; margin: 0 1px 0 5px; }
.gloss-children { margin-top: 3px; padding-inline-start: 10px; border-inline-start: 1px solid var(--rule); }
.gloss .tag { font-size: .9em; }
.margin-count { position: absolute; right: -16px; width: 44px; height: 44px; margin: -8px 0 0; text-align: end; padding: 0; border: 0; background: none; font: 700 14px/17px ${face.interface}; cursor: pointer; z-index: 3; }
.margin-count span { display: inline-block; border-inline-start: 3px solid currentColor; padding: 0 5px; }
.margin-sheet { position: fixed; left: 0; right: 0; bottom: ${measure.bar}px; z-index: 15; background: var(--ground); border-top: 1px solid var(--rule); display: flex; flex-direction: column; }
.margin-sheet.open { border-radius: 14px 14px 0 0; box-shadow: 0 -8px 24px var(--shadow); height: min(46vh, 420px); }
.margin-grab { border: 0; background: none; display: block; width: 100%; min-height: 44px; padding: 6px 18px 4px; text-align: start; cursor: pointer; flex: none; }
.margin-grab .grab { display: block; width: 44px; height: 4px; border-radius: 2px; background: var(--leader); margin: 0 auto 5px; }
.margin-grab-words { font: 15px/22px ${face.interface}; color: var(--soft); }
.margin-grab-words strong { font: 700 18px/22px ${face.writing}; color: var(--ink); margin-inline-end: 10px; }
.margin-list { overflow-y: auto; padding: 2px 18px 18px; flex: 1; outline-offset: -2px; }
.margin-list-gloss { margin: 10px 0; scroll-margin-top: 6px; }
@media (min-width: ${measure.wide}px) { .margin-sheet { bottom: 0; left: auto; width: 360px; } .margin-sheet.open { height: 70vh; border-radius: 14px 0 0 0; } }
`;
