import { face, measure } from '../../theme/tokens';

/** How the contents, the spines and what is dragged look. */
export const outlineSheet = `
.contents-head { display: block; text-decoration: none; }
.contents-scroll { height: 100%; overflow-y: auto; box-sizing: border-box; padding: 16px 12px 0 16px; display: flex; flex-direction: column; }
.contents-scroll > .contents { flex: 1 0 auto; padding-bottom: 24px; }
.contents { font: 18px/23px ${face.interface}; color: var(--ink); padding-top: 2px; -webkit-user-select: none; user-select: none; }
.contents[data-narrow='true'] { font-size: 16px; line-height: 20px; }
.contents [role=treeitem] { -webkit-touch-callout: none; outline-offset: -2px; scroll-margin-block: 90px; cursor: pointer; touch-action: manipulation; }
.contents [data-dragged] { opacity: .35; }
.contents-page { display: flex; align-items: baseline; gap: 7px; min-height: 44px; box-sizing: border-box; padding: 10px 0 9px calc(min(var(--depth), 2) * 26px + max(var(--depth) - 2, 0) * 10px); color: inherit; text-decoration: none; position: relative; }
[data-narrow='true'] .contents-page { min-height: 30px; padding: 5px 0 5px calc(min(var(--depth), 1) * 16px + max(var(--depth) - 1, 0) * 8px); gap: 5px; }
.contents-folio { flex-shrink: 0; min-width: calc(30px + min(var(--depth), 2) * 5px); color: var(--soft); font-size: .94em; }
[data-narrow='true'] .contents-folio { min-width: calc(20px + min(var(--depth), 2) * 5px); }
[data-narrow='true'] .contents-page[data-deep] .contents-date, [data-narrow='true'] .contents-page[data-deep] .contents-leader { display: none; }
.contents-title { min-width: 0; overflow-wrap: anywhere; }
.contents-page .contents-title { display: -webkit-box; -webkit-box-orient: vertical; -webkit-line-clamp: 3; overflow: hidden; }
.contents-page[data-unwritten] .contents-title { color: var(--ochre); }
.contents-page[data-aside] .contents-title { color: var(--soft); }
@media (max-width: 719px) { .contents-page[data-deep] .contents-date, .contents-page[data-deep] .contents-leader { display: none; } }
@media (max-width: 300px) { .contents-section { flex-wrap: wrap; } .contents-section .contents-title { flex: 1 1 60%; } .contents-page { flex-wrap: wrap; padding-inline-start: calc(min(var(--depth), 3) * 8px); } .contents-page .contents-leader { display: none; } .contents-page .contents-title { flex: 1 1 60%; } }
@media (max-width: 300px), (max-height: 480px) { .contents .contents-tools, main .contents-tools { position: static; } }
.contents-leader { flex: 1; min-width: 10px; border-bottom: 1px dotted var(--leader); transform: translateY(-4px); }
.contents-date { flex-shrink: 0; white-space: nowrap; font-size: 15px; color: var(--soft); }
[data-narrow='true'] .contents-date { font-size: 14px; }
.contents-page[aria-current] > span:not(.contents-leader) { color: var(--vermilion); }
.contents-page[aria-current] .contents-title, .contents-page[aria-current] .contents-date { font-weight: 700; }
.contents-section { display: flex; align-items: baseline; gap: 8px; margin: 14px 0 3px calc(var(--depth) * 12px); padding: 6px 0 3px; box-sizing: border-box; border-bottom: 1px dotted var(--tone); color: var(--tone); }
.contents-section[aria-level='1'] { border-bottom: 2px solid var(--tone); }
[data-narrow='true'] .contents-section { margin-top: 8px; }
[data-narrow='true'] .contents-section[aria-level='1'] { border-bottom-width: 1px; }
.contents-section .contents-title { flex: 0 1 auto; font: 700 19px/23px ${face.capitals}; letter-spacing: .8px; }
[data-narrow='true'] .contents-section .contents-title { font-size: 17px; line-height: 20px; }
.contents-roman { font-weight: 700; flex-shrink: 0; min-width: 16px; }
.contents-section > svg { flex-shrink: 0; align-self: flex-end; }
.contents-gap { flex: 1; }
.contents-fold, .contents-more { font: 500 15px/1 ${face.interface}; color: var(--soft); background: none; border: 0; padding: 0 8px; min-width: 34px; height: 44px; margin: -14px -6px; cursor: pointer; flex-shrink: 0; align-self: baseline; }
[data-narrow='true'] .contents-fold, [data-narrow='true'] .contents-more { height: 30px; min-width: 26px; padding: 0 5px; margin: -8px -4px; }
.contents-more { font-size: 20px; display: none; }
.contents-page > .contents-more { margin-inline-start: auto; }
.contents [role=treeitem]:focus-visible .contents-more, .contents [aria-current] .contents-more, .contents[aria-multiselectable] .contents-more { display: block; }
@media (hover: none) { .contents .contents-more { display: block; } .contents .contents-fold, .contents .contents-more { min-width: 44px; margin-inline: -4px; } .contents-section { min-height: 44px; margin-top: 8px; align-items: center; } .contents .contents-section > .contents-fold, .contents .contents-section > .contents-more { height: 36px; margin-block: 0; align-self: center; min-height: 44px; } }
.contents-tools { display: flex; flex-wrap: wrap; column-gap: 18px; position: sticky; bottom: 0; z-index: 2; background: var(--ground); margin-top: 8px; padding: 2px 0; border-top: 1px solid var(--rule); }
main .contents-tools { margin-inline: -20px; padding-inline: 20px; }
@media (max-width: ${measure.wide - 1}px) { main .contents-tools { bottom: ${measure.bar}px; } }
.contents-scroll .contents-tools { margin-inline: -16px -12px; padding-inline: 16px 12px; }
@media (hover: hover) {
  .contents [role=treeitem]:hover .contents-more { display: block; }
  .contents[data-narrow='true'] .contents-page:hover .contents-date, .contents[data-narrow='true'] .contents-page:focus-visible .contents-date { display: none; }
  .contents-page:hover .contents-title { text-decoration: underline; text-decoration-thickness: 1px; text-underline-offset: 3px; }
}
.contents [aria-selected='true'] { background: var(--washOchre); }
.contents [aria-selected='true'] > :not(.contents-box) { color: var(--ink); }
.contents-box { flex-shrink: 0; width: 15px; height: 15px; border: 1.6px solid var(--slate); border-radius: 50%; align-self: center; margin-inline-end: 4px; }
.contents-box[data-chosen='true'] { background: var(--vermilion); border-color: var(--vermilion); box-shadow: inset 0 0 0 2.5px var(--leaf); }
.contents-name { font: inherit; color: var(--ink); flex: 1; min-width: 0; border: 0; border-bottom: 1.5px solid var(--lapis); background: var(--leaf); padding: 2px 4px; border-radius: 0; text-transform: none; -webkit-user-select: text; user-select: text; }
.contents-season { display: flex; justify-content: space-between; align-items: flex-end; width: 100%; margin-top: 20px; padding: 0 0 3px; min-height: 34px; box-sizing: border-box; border: 0; border-bottom: 1px solid var(--rule); background: none; color: var(--soft); font: 16px/20px ${face.interface}; cursor: pointer; }
.contents-season .contents-title { font: 700 17px/20px ${face.capitals}; letter-spacing: .8px; }
.contents-season.shelf { margin: 0 20px 8px; width: calc(100% - 40px); min-height: 44px; }
.spine { margin: 0 16px; border-radius: 3px; position: relative; touch-action: manipulation; -webkit-user-select: none; user-select: none; }
.spine[data-dragged], .pile-spine[data-dragged] { opacity: .4; }
.spine-link { display: flex; align-items: center; gap: 10px; min-height: 60px; box-sizing: border-box; padding: 10px 28px 10px 26px; color: #fff; text-decoration: none; position: relative; border-radius: 3px; }
.spine-name { flex: 1; min-width: 0; font: 700 20px/24px ${face.writing}; overflow-wrap: anywhere; display: -webkit-box; -webkit-box-orient: vertical; -webkit-line-clamp: 3; overflow: hidden; }
.spine-count { font: 15px/20px ${face.interface}; }
.pile-spine { display: flex; align-items: center; min-height: 38px; box-sizing: border-box; margin: 0 12px 3px 0; padding: 7px 8px 7px 17px; border-radius: 2px; color: #fff; text-decoration: none; font: 700 16px/19px ${face.writing}; position: relative; overflow-wrap: anywhere; }
.pile-spine span { display: -webkit-box; -webkit-box-orient: vertical; -webkit-line-clamp: 2; overflow: hidden; }
.pile-spine[data-open='true'] { margin-right: 0; border-top-right-radius: 0; border-bottom-right-radius: 0; }
.contents-away, .trail-contents { flex: none; border: 0; background: none; padding: 0; color: var(--soft); font: 15px/20px ${face.interface}; cursor: pointer; }
.contents-away { opacity: 0; } nav:hover .contents-away, .contents-away:focus-visible { opacity: 1; } .drawer .contents-away { opacity: 1; min-height: 44px; margin: -12px 0; padding: 0 4px; font-size: 16px; }
@media (hover: none) { .contents-away { opacity: 1; } .contents-away, .trail-contents { min-height: 44px; } }
.trail-contents { margin-inline-end: 6px; color: var(--lapis); font: 500 16px/28px ${face.interface}; }
.drawer { position: fixed; inset: 0; z-index: 40; }
.drawer-ground { position: absolute; inset: 0; background: var(--shadow); }
.drawer-leaf { position: absolute; inset-block: 0; left: 0; width: min(340px, 100% - 44px); background: var(--ground); box-shadow: 8px 0 32px var(--shadow); outline: none; animation: drawn-in 140ms ease-out; }
@media (min-width: ${measure.wide}px) { .drawer-ground, .drawer-leaf { left: ${measure.rail}px; } }
@keyframes drawn-in { from { transform: translateX(-24px); opacity: 0; } }
@media (prefers-reduced-motion: reduce) { .drawer-leaf { animation: none; } }
.dragged { display: inline-block; max-width: 260px; padding: 7px 12px; background: var(--leaf); color: var(--ink); font: 500 16px/20px ${face.interface}; border-inline-start: 3px solid var(--vermilion); box-shadow: 0 6px 20px var(--shadow); overflow: hidden; text-overflow: ellipsis; white-space: nowrap; cursor: grabbing; }
.drop-mark { position: fixed; z-index: 60; pointer-events: none; box-sizing: border-box; background: var(--vermilion); height: 3px; border-radius: 2px; }
.drop-mark::before { content: '¶'; position: absolute; inset-inline-end: -2px; top: -9px; color: var(--vermilion); font: 700 16px/18px ${face.writing}; }
.drop-mark[data-zone='inside'] { background: none; border: 2px solid var(--vermilion); border-radius: 3px; }
.drop-mark[data-zone='inside']::before { content: none; }
`;
