import { face } from '../../theme/tokens';

/** How tasks look that are shown elsewhere than on their page. */
export const tasksSheet = `
.task-end { margin-inline-start: 7px; color: var(--ochre); font: 700 14px/18px ${face.interface}; font-variant-numeric: lining-nums; }
.brought-head { display: flex; align-items: baseline; flex-wrap: wrap; column-gap: 16px; border-bottom: 1px solid var(--rule); }
.brought-head [role=heading] { flex: 1; font: 700 16px/24px ${face.capitals}; letter-spacing: .8px; color: var(--soft); }
.brought-chosen { display: flex; flex-wrap: wrap; column-gap: 16px; }
.task { border-inline-start: 3px solid; padding-inline-start: 10px; margin-top: 9px; overflow-wrap: anywhere; }
.task[data-chosen] { background: var(--washLapis); }
.task-line { display: flex; align-items: flex-start; gap: 8px; }
.task-words { flex: 1; min-width: 0; font: 16px/22px ${face.interface}; color: var(--ink); }
.task[data-state=done] .task-words, .task-child[data-state=done] { color: var(--soft); } .task[data-state=dropped] .task-words > :first-child, .task-child[data-state=dropped] { color: var(--soft); text-decoration: line-through; }
.task .box, .task-choose { appearance: none; flex: none; box-sizing: border-box; position: relative; width: 16px; height: 16px; margin: 3px 1px 0 0; padding: 0; border: 1.6px solid var(--slate); border-radius: 3px; background: none; cursor: pointer; }
.task-choose { border-radius: 50%; } .task-choose[aria-checked=true] { background: var(--lapis); border-color: var(--lapis); }
.task .box::after, .task-choose::after { content: ''; position: absolute; inset: -14px; }
.task .box[data-state=done] { background: var(--verdigris); border-color: var(--verdigris); }
.task .box[data-state=begun] { background: linear-gradient(135deg, var(--slate) 50%, transparent 50%); }
.task .box[data-state=dropped] { background: linear-gradient(to top right, transparent 44%, var(--slate) 45% 55%, transparent 56%); }
.task-beneath { padding-inline-start: 24px; } .task-child { display: flex; gap: 8px; font: 15px/20px ${face.interface}; color: var(--soft); padding-top: 3px; }
.task-foot { display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 12px; padding-inline-start: 25px; }
.task-from { display: block; font: 15px/20px ${face.interface}; color: var(--soft); text-decoration: none; } .task-from:hover { text-decoration: underline; }
.task-deeds { display: flex; flex-wrap: wrap; column-gap: 10px; }
.task-deed { font: 500 15px/20px ${face.interface}; color: var(--lapis); background: none; border: 0; padding: 0; min-height: 24px; cursor: pointer; text-align: start; } .task-deed[aria-disabled=true] { color: var(--soft); cursor: default; }
@media (hover: hover) { .task { position: relative; } .task-deeds { position: absolute; inset-inline-end: 0; bottom: 0; flex-wrap: nowrap; padding-inline-start: 12px; background: var(--ground); opacity: 0; } .tasks .task-deeds { bottom: 6px; background: var(--leaf); } .task:hover .task-deeds, .task:focus-within .task-deeds { opacity: 1; } }
@media (hover: none) { .picked { min-width: 44px; } .task-line { gap: 17px; } .task-foot { padding-inline-start: 34px; } .task .box, .task-choose { margin-top: 4px; } .page-tasks a { display: inline-flex; align-items: center; min-height: 44px; } .task-from { display: inline; } .task .box::after, .task-choose::after { inset: -15px; } .tasks .task { padding-block: 14px; } .task-deed { min-height: 44px; min-width: 44px; } .task-deeds .task-deed { text-align: center; padding: 0 4px; } .task-foot { justify-content: space-between; align-items: center; } .task-deeds { margin-inline-start: auto; column-gap: 4px; } .task .wide-only { display: none; } .task { margin-top: 3px; } }
.tasks { padding: 18px 20px 0; max-width: 760px; } .tasks-head { padding-bottom: 6px; } .tasks .tasks-head [role=heading] { font: 700 30px/36px ${face.writing}; letter-spacing: 0; color: var(--ink); }
@media (min-width: 720px) { .tasks { padding: 20px 56px 0; } }
.tasks-of { font: 17px/24px ${face.interface}; padding-top: 8px; } .tasks-of a, .page-tasks a { color: var(--verdigris); }
.tasks-ways { display: flex; flex-wrap: wrap; column-gap: 20px; }
.tasks-group { display: block; font: 700 17px/24px ${face.capitals}; letter-spacing: .6px; color: var(--soft); border-bottom: 1px solid var(--rule); margin-top: 22px; } .tasks-group.overdue { color: var(--vermilion); } .tasks-group a { color: inherit; text-decoration: none; } .tasks-group a:hover { text-decoration: underline; } .tasks-count { font: 15px/20px ${face.interface}; }
.tasks .task { content-visibility: auto; contain-intrinsic-size: auto 66px; padding-block: 8px; margin-top: 0; } .tasks .task-words { font: 18px/25px ${face.writing}; } .tasks .task .box, .tasks .task-choose { margin-top: 5px; }
.page-tasks { font: 15px/22px ${face.interface}; color: var(--soft); }
.calendar-file { font: 17px/26px ${face.interface}; } .calendar-file a { color: var(--verdigris); display: inline-flex; align-items: center; min-height: 44px; }
.private-address { font: 15px/22px ${face.code}; overflow-wrap: anywhere; user-select: all; padding: 8px 0; }
.brought-more { display: flex; flex-wrap: wrap; column-gap: 22px; margin-top: 6px; }
`;
