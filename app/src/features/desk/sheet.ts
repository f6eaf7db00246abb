import { face } from '../../theme/tokens';

/** How the Desk and the bin look. */
export const deskSheet = `
.desk { display: grid; grid-template-columns: 1fr; gap: 0 44px; align-items: start; }
.desk[data-wide='true'] { grid-template-columns: 1fr 1fr; }
.desk[data-wide='true'] .desk-part[data-size='many'] { grid-column: 1 / -1; }
.desk-part { min-width: 0; padding-top: 18px; }
.desk-part h2 { font: 700 19px/24px ${face.capitals}; letter-spacing: .8px; color: var(--soft); margin: 0; padding-bottom: 2px; border-bottom: 1px solid var(--rule); }
.desk-part ul, .desk-part ol { list-style: none; margin: 0; padding: 0; }
.desk-part li { border-inline-start: 3px solid; padding-inline-start: 12px; margin-top: 8px; display: flex; flex-wrap: wrap; align-items: center; column-gap: 8px; }
.desk-tasks li { display: block; }
.desk-tasks .writing { font-size: 18px; line-height: 24px; }
.desk-tasks .writing .block { margin-bottom: 0; }
.desk-tasks .desk-line { min-height: 28px; padding-inline-start: 28px; } @media (hover: none) { .desk-tasks .desk-line { min-height: 44px; } a.finding-title { min-height: 44px; } .day-title a { display: inline-block; min-height: 44px; padding-block: 6px; box-sizing: border-box; } }
.desk-line { display: block; flex: 1; min-width: 0; min-height: 44px; box-sizing: border-box; color: var(--ink); text-decoration: none; overflow-wrap: anywhere; }
.desk-line:hover .desk-title, .desk-line:hover .desk-detail { text-decoration: underline; text-decoration-thickness: 1px; text-underline-offset: 3px; }
.desk-task-foot { display: flex; align-items: baseline; justify-content: space-between; column-gap: 12px; } .desk-task-foot .desk-line { flex: 1; min-width: 0; } .desk-task-foot .task-deed { padding: 0 14px; }
.desk-line.all { display: inline-block; padding-inline-start: 15px; }
.desk-title.jotted { font-weight: 400; }
.desk-title { display: -webkit-box; -webkit-box-orient: vertical; -webkit-line-clamp: 3; overflow: hidden; font: 700 19px/24px ${face.writing}; text-align: left; }
.desk-detail { display: block; font: 15px/19px ${face.interface}; color: var(--soft); }
.desk-button { font: 500 16px/20px ${face.interface}; color: var(--lapis); background: none; border: 0; min-width: 44px; min-height: 44px; padding: 0 8px; cursor: pointer; }
.binned { border-inline-start: 3px solid; padding: 7px 12px 0; margin: 8px 0; overflow-wrap: anywhere; }
.binned a { color: var(--ink); text-decoration: none; }
.binned-deeds { display: flex; flex-wrap: wrap; column-gap: 22px; padding-inline-start: 10px; }
.breaking { margin: 6px 0 14px; padding-inline-start: 18px; font: 17px/24px ${face.interface}; }
.breaking span { color: var(--soft); font-size: 15px; }
`;
