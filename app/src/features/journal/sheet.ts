import { face, measure } from '../../theme/tokens';

/** How the journal looks. */
export const journalSheet = `
.journal-spread { display: flex; align-items: stretch; min-height: 100vh; }
.journal { flex: 1; min-width: 0; padding: 0 20px; max-width: ${measure.line + 40}px; box-sizing: border-box; position: relative; }
.journal[data-wide='true'] { padding: 20px 56px 0; max-width: ${measure.line + 112}px; }
.journal-top { display: flex; justify-content: space-between; align-items: center; min-height: 14px; }
.day-side { flex: none; box-sizing: border-box; width: clamp(${measure.daySide}px, 29vw, 380px); margin-inline-start: auto; position: sticky; top: 0; height: 100vh; overflow-y: auto; padding: 22px 22px 40px; background: var(--ground); border-inline-start: 1px solid var(--rule); }
.calendar-head { display: flex; align-items: center; gap: 2px; }
.calendar-month { flex: 1; font: 700 21px/28px ${face.writing}; }
.calendar-turn { min-width: 30px; min-height: 30px; font: 17px/22px ${face.interface}; color: var(--lapis); border-radius: 3px; } .calendar-turn:hover { background: var(--shelf); }
.calendar-week, .calendar-days { display: grid; grid-template-columns: repeat(7, 1fr); text-align: center; }
.calendar-week { font: 14px/24px ${face.interface}; color: var(--soft); }
.calendar-day { position: relative; display: block; padding: 2px 0 7px; color: var(--ink); text-decoration: none; font: 18px/21px ${face.writing}; border-radius: 3px; }
.calendar-day.other { color: var(--soft); }
.calendar-day:hover { background: var(--shelf); }
.calendar-day[aria-current] { box-shadow: inset 0 0 0 1.5px var(--vermilion); }
.calendar-day.today { background: var(--spine-vermilion); color: #fff; }
.calendar-ink { position: absolute; left: 22%; right: 22%; bottom: 2px; height: 3px; border-radius: 2px; background: var(--slate); } .calendar-day.today .calendar-ink { background: #fff; }
.calendar-due { position: absolute; inset-inline-end: 6%; top: 0; font: 700 12px/14px ${face.interface}; font-variant-numeric: lining-nums; color: var(--ochre); } .calendar-day.today .calendar-due { color: #fff; }
@media (hover: none) { .around-line a { display: inline-flex; align-items: center; min-height: 44px; } .calendar-turn { min-width: 44px; min-height: 44px; } .calendar-day { min-height: 44px; padding-top: 8px; box-sizing: border-box; } }
.day-side .brought, .around { margin-top: 22px; }
.journal .brought { background: var(--parchment); border: 1px solid var(--rule); border-inline-start: 4px solid var(--ochre); padding: 8px 14px 10px; margin: 10px -4px 12px; } .journal .brought .task { border-inline-start-width: 0; padding-inline-start: 0; } .journal .brought-head { border: 0; } .journal .brought-head [role=heading] { color: var(--ochre); }
.around [role=heading] { font: 700 16px/24px ${face.capitals}; letter-spacing: .8px; color: var(--soft); border-bottom: 1px solid var(--rule); margin-bottom: 6px; }
.around-line { font: 16px/22px ${face.interface}; padding-top: 5px; overflow-wrap: anywhere; } .around-line a { color: var(--verdigris); text-underline-offset: 3px; text-decoration-thickness: 1px; }
.around-line .around-year { color: var(--ink); text-decoration: none; margin-inline-end: 6px; } .around-label { margin-inline-end: 6px; } .around-count { color: var(--soft); }
.week { display: grid; grid-template-columns: repeat(7, 1fr); padding: 12px 0 4px; margin: 0 -6px; text-align: center; font: 14px/18px ${face.interface}; }
@media (max-width: 300px) { .week { grid-template-columns: repeat(4, 1fr); } }
.week a { color: var(--soft); text-decoration: none; padding: 2px 0 6px; min-height: 50px; border-radius: 3px; }
.week-day { display: block; font: 700 19px/25px ${face.writing}; color: var(--ink); margin: 1px 7px 0; border-radius: 4px; }
.week .today .week-day { background: var(--spine-vermilion); color: #fff; }
.week a[aria-current] .week-day { text-decoration: underline; text-underline-offset: 4px; }
.week .today[aria-current] .week-day { text-decoration: none; }
.week-ink { display: block; height: 4px; margin: 5px 12px 0; background: var(--slate); border-radius: 2px; }
.reached-day { position: sticky; top: 0; z-index: 6; height: 0; } .reached-day .kit-tap { position: relative; margin-inline: -20px; box-sizing: border-box; width: calc(100% + 40px); min-height: 44px; padding: 10px 20px; text-align: start; background: var(--leaf); border-bottom: 1px solid var(--rule); font: 700 17px/24px ${face.interface}; color: var(--soft); }
.periods { margin-top: 10px; } .period { text-align: start; font: inherit; } .period .around-label { color: var(--verdigris); } @media (hover: none) { .period { min-height: 44px; } }
.later-days { display: block; margin: 4px 0 10px; }
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
.period-review { color: var(--lapis); text-decoration: none; display: inline-flex; align-items: center; min-height: 44px; padding-inline: 8px; }
`;
