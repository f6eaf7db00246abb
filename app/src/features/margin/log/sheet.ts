import { face } from '../../../theme/tokens';

/** How a log looks: a day at the left, as in a ledger, and beside it what was said. */
export const logSheet = `
.log-block { margin: 6px 0 16px; } .log-here { padding: 2px 0 8px; border-block: 1px solid var(--rule); -webkit-user-select: none; user-select: none; }
[data-selected] > .log-here { outline: 2px solid var(--lapis); outline-offset: 3px; }
.log-details { font: 15px/20px ${face.interface}; letter-spacing: 0; margin-inline-start: 10px; }
.log-waiting { min-height: 120px; } .log-empty, .log-named { font: italic 17px/24px ${face.writing}; color: var(--soft); margin: 6px 0; }
.log-month { margin-top: 12px; }
.log-entry { display: grid; grid-template-columns: 52px minmax(0, 1fr); column-gap: 12px; padding: 7px 0; }
.log-day { font: 14px/20px ${face.interface}; color: var(--soft); text-align: end; white-space: nowrap; } .log-day[data-again] { visibility: hidden; height: 0; overflow: hidden; }
.log-number { font: 22px/22px ${face.writing}; color: var(--ink); } .log-day[data-today] .log-number { color: var(--vermilion); }
.log-done { display: block; font: 500 16px/20px ${face.capitals}; letter-spacing: .03em; text-transform: lowercase; font-feature-settings: 'smcp'; color: var(--verdigris); }
.log .gloss { margin: 0; font: 18px/25px ${face.writing}; } .margin .log .gloss { font-size: 15px; line-height: 19px; }
.margin .log-entry { grid-template-columns: 34px minmax(0, 1fr); column-gap: 8px; } .margin .log-day { white-space: normal; line-height: 16px; }
.writing .log .box { position: relative; inset: auto; width: 15px; height: 15px; border: 1.5px solid var(--soft); } .writing .log .box[data-state=done], .writing .log .box[data-state=begun] { border-color: var(--verdigris); } .writing .log .box[data-state=done] { background: var(--verdigris); }
.writing .log .box::before { content: none; } .writing .log .box[aria-checked]::after { inset: -15px -8px; width: auto; height: auto; border: 0; transform: none; }
.log-unread { display: none; }
.found-list { padding-top: 4px; } .found-list .gloss { margin: 8px 0; } .found-list-name { color: var(--ink); text-decoration: none; font: inherit; } .found-list-name:hover { text-decoration: underline; }
.found-list-page { display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 12px; border-inline-start: 3px solid; padding: 2px 0 2px 10px; margin: 6px 0; font: 18px/24px ${face.writing}; overflow-wrap: anywhere; } .found-list-where { font: 15px/20px ${face.interface}; color: var(--soft); } .found-list-more { display: inline-block; padding: 6px 0; font: 500 15px/20px ${face.interface}; color: var(--lapis); }
@media (hover: none) { .found-list-page > a, .found-list-more, .found-list-name { display: inline-flex; align-items: center; min-height: 44px; } }
@media print { .log-unread { display: block; font: italic 15px/20px ${face.writing}; } .log-here .overview-change, .log .gloss-tools { display: none; } .log-entry { break-inside: avoid; } .log-month > button { break-after: avoid; } }
`;
