import { face } from '../../theme/tokens';

/** How an overview looks on a page. */
export const overviewSheet = `
.overview { margin: 6px 0 16px; padding: 2px 0 6px; border-block: 1px solid var(--rule); -webkit-user-select: none; user-select: none; }
[data-selected] > .overview { outline: 2px solid var(--lapis); outline-offset: 3px; }
.overview-head { display: flex; justify-content: space-between; align-items: baseline; gap: 12px; font: 700 16px/24px ${face.capitals}; letter-spacing: .8px; color: var(--soft); }
.overview-change { font: 500 15px/20px ${face.interface}; letter-spacing: 0; text-transform: none; color: var(--lapis); background: none; border: 0; min-height: 44px; padding: 0 6px; cursor: pointer; }
.overview ul { list-style: none; margin: 0; padding: 0; }
.writing .overview a { display: flex; align-items: baseline; gap: 8px; color: var(--ink); text-decoration: none; min-height: 34px; box-sizing: border-box; padding: 5px 0; padding-inline-start: calc(var(--depth) * 22px); font: 18px/23px ${face.writing}; }
@media (pointer: coarse) { .writing .overview a { min-height: 44px; padding-block: 10px; } }
.writing .overview a:hover .overview-words { text-decoration: underline; text-decoration-thickness: 1px; text-underline-offset: 3px; }
.overview-number { min-width: 26px; flex-shrink: 0; color: var(--soft); font: 16px/23px ${face.interface}; }
.overview-words { min-width: 0; overflow-wrap: anywhere; display: -webkit-box; -webkit-box-orient: vertical; -webkit-line-clamp: 3; overflow: hidden; }
.overview-detail { flex-shrink: 1; max-width: 45%; font: 15px/20px ${face.interface}; color: var(--soft); }
.overview li[data-section] .overview-words { font: 700 17px/23px ${face.capitals}; letter-spacing: .6px; }
.writing .overview a[data-state='unwritten'] .overview-words { color: var(--ochre); }
.writing .overview a[data-state='aside'] .overview-words, .writing .overview a[data-state='binned'] .overview-words, .writing .overview a[data-state='gone'] .overview-words { color: var(--soft); font-style: italic; }
.overview-empty { font: italic 17px/24px ${face.writing}; color: var(--soft); margin: 4px 0; }
.landed > .overview { animation: landed 1.2s ease-out; }
`;
