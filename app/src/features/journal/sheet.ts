import { face, measure } from '../../theme/tokens';

/** How the journal looks. */
export const journalSheet = `
.journal { padding: 0 20px; max-width: ${measure.line + 40}px; box-sizing: border-box; position: relative; }
.journal[data-wide='true'] { padding: 8px 40px 0; }
.journal-top { display: flex; justify-content: flex-end; min-height: 14px; }
.week { display: grid; grid-template-columns: repeat(7, 1fr); padding: 12px 0 4px; margin: 0 -6px; text-align: center; font: 14px/18px ${face.interface}; }
@media (max-width: 300px) { .week { grid-template-columns: repeat(4, 1fr); } }
.week a { color: var(--soft); text-decoration: none; padding: 2px 0 6px; min-height: 50px; border-radius: 3px; }
.week-day { display: block; font: 700 19px/25px ${face.writing}; color: var(--ink); margin: 1px 7px 0; border-radius: 4px; }
.week .today .week-day { background: var(--spine-vermilion); color: #fff; }
.week a[aria-current] .week-day { text-decoration: underline; text-underline-offset: 4px; }
.week .today[aria-current] .week-day { text-decoration: none; }
.week-ink { display: block; height: 4px; margin: 5px 12px 0; background: var(--slate); border-radius: 2px; }
.day { padding-bottom: 18px; }
.day .page-body .writing { min-height: 60px; padding-bottom: 6px; }
.day-heading { padding: 2px 0 2px; }
.day-heading .title { font-size: 30px; line-height: 34px; }
.day-title { font: 700 24px/30px ${face.writing}; margin: 18px 0 0; padding-top: 16px; border-top: 1px solid var(--rule); }
.day-title a { color: var(--ink); text-decoration: none; } .day-title a:hover { text-decoration: underline; }
.day-title::first-letter { color: var(--vermilion); }
.day-meta { font: 15px/20px ${face.interface}; color: var(--soft); margin: 2px 0 4px; }
.write-here { position: absolute; left: -9999px; }
.write-here:focus { position: static; font: 15px ${face.interface}; color: var(--lapis); background: none; border: 0; min-height: 44px; }
.still { cursor: text; } .still a { cursor: pointer; }
.run { display: flow-root; }
`;
