import { face, measure } from '../theme/tokens';

/** What stands around the text while it is written: the handle, the bars, the panel for finding. */
export const toolSheet = `
.block-handle { position: absolute; right: -6px; width: 36px; height: 30px; padding: 0; border: 0; background: none; color: var(--vermilion); font: 700 19px/28px ${face.writing}; cursor: grab; touch-action: none; opacity: 0; z-index: 3; }
.page-body:hover .block-handle, .block-handle:focus-visible, .page-body:has(.chosen) .block-handle { opacity: 1; }
@media (hover: none), (max-width: 719px) { .page-body .block-handle, .page-body:hover .block-handle { opacity: 0; pointer-events: none; } .page-body:has(.chosen) .block-handle { opacity: 1; pointer-events: auto; width: 44px; height: 44px; margin-top: -8px; right: -18px; } }
.block-drop { position: absolute; left: 0; right: 30px; height: 3px; margin-top: -2px; background: var(--vermilion); border-radius: 2px; pointer-events: none; z-index: 4; }
.block-drop::before { content: ''; position: absolute; inset-inline-start: -4px; top: -3px; width: 9px; height: 9px; border-radius: 50%; background: var(--vermilion); }
.block-drop.across { position: fixed; right: auto; z-index: 30; }
.block-drop-count { position: absolute; inset-inline-end: 0; bottom: 5px; padding: 1px 8px; border-radius: 3px; background: var(--vermilion); color: var(--leaf); font: 600 14px ${face.interface}; }
.block-bar { position: fixed; left: 0; right: 0; bottom: 22px; width: fit-content; max-width: calc(100vw - 16px); margin: 0 auto; display: flex; align-items: center; overflow-x: auto; background: var(--leaf); border: 1px solid var(--rule); border-radius: 4px; box-shadow: 0 6px 24px var(--shadow); z-index: 30; padding: 0 6px; }
.block-bar:focus-visible { outline: 2px solid var(--lapis); }
.block-bar-count { font: 16px ${face.interface}; color: var(--soft); padding: 0 10px; white-space: nowrap; }
.block-bar button, .table-bar button, .tool { min-width: 44px; min-height: 44px; padding: 0 10px; border: 0; background: none; color: var(--ink); font: 500 16px ${face.interface}; cursor: pointer; white-space: nowrap; }
.block-bar button[aria-label^='What'] { color: var(--vermilion); font: 700 19px ${face.writing}; }
@media (max-width: 719px) { .block-bar { bottom: 0; left: 0; right: 0; width: auto; max-width: none; border-radius: 0; border-width: 1px 0 0; min-height: ${measure.bar}px; box-sizing: border-box; } .block-bar-count { padding: 0 6px; } .block-bar button { padding: 0 7px; min-width: 40px; } }
.toolbar { position: fixed; left: 0; right: 0; display: flex; overflow-x: auto; scrollbar-width: none; background: var(--shelf); border-top: 1px solid var(--rule); z-index: 25; min-height: ${measure.bar}px; align-items: center; padding: 0 4px; }
.sign { display: inline-block; vertical-align: -.28em; } .block-bar button[aria-label^='Delete'] { color: var(--vermilion); }
.tool { flex: none; font-size: 18px; } .tool.red { color: var(--vermilion); font: 700 21px ${face.writing}; } .tool.done { position: sticky; right: -4px; margin-inline-start: auto; padding: 0 14px; background: var(--shelf); color: var(--lapis); font-size: 16px; border-inline-start: 1px solid var(--rule); } .tool[aria-pressed='true'] { box-shadow: inset 0 -3px var(--vermilion); }
.table-bar { position: fixed; bottom: 22px; left: max(332px, var(--middle, 50%)); transform: translateX(-50%); width: 620px; display: flex; flex-wrap: wrap; background: var(--leaf); border: 1px solid var(--rule); border-radius: 4px; box-shadow: 0 6px 24px var(--shadow); z-index: 24; padding: 2px 6px; box-sizing: border-box; }
.table-bar button { flex: none; font-size: 15px; min-width: 0; min-height: 36px; }
@media (max-width: 719px) { .table-bar { left: 0; right: 0; width: auto; transform: none; bottom: calc(var(--keyboard, 0px) + ${measure.bar}px); flex-wrap: nowrap; overflow-x: auto; scrollbar-width: none; border-radius: 0; border-width: 1px 0 0; box-shadow: none; } .table-bar button { min-height: 44px; } }
.table-bar .group-of { color: var(--ink); }
@media (hover: none) and (min-width: 720px) { .table-bar, .search-panel { bottom: calc(max(var(--keyboard, 0px), 0px) + ${measure.bar + 8}px); } }
.table-bar .danger { color: var(--vermilion); }
.search-panel { position: fixed; bottom: 22px; left: max(332px, var(--middle, 50%)); transform: translateX(-50%); width: 620px; max-width: calc(100vw - 24px); box-sizing: border-box; z-index: 26; background: var(--leaf); border: 1px solid var(--rule); border-radius: 4px; box-shadow: 0 6px 24px var(--shadow); padding: 6px 12px; font: 16px ${face.interface}; }
@media (max-width: 719px) { .search-panel { left: 0; right: 0; width: auto; max-width: none; transform: none; bottom: max(var(--keyboard, 0px), ${measure.bar}px); border-width: 1px 0 0; border-radius: 0; padding: 4px 14px; } }
.search-line { display: flex; flex-wrap: wrap; gap: 2px 6px; align-items: center; } .search-line > input { flex: 1 1 130px; min-width: 0; min-height: 42px; border: 1px solid var(--rule); border-radius: 3px; padding: 0 10px; background: var(--leaf); color: var(--ink); font: 17px ${face.interface}; margin: 2px 0; }
.search-also { font: 16px/22px ${face.interface}; color: var(--soft); overflow-wrap: anywhere; padding: 0 2px 2px; }
.search-line button { min-height: 44px; padding: 0 8px; border: 0; background: none; color: var(--lapis); font: 500 16px ${face.interface}; cursor: pointer; } .search-line label { display: inline-flex; gap: 7px; align-items: center; min-height: 44px; padding-inline-end: 10px; color: var(--ink); } .search-line [role=status] { color: var(--soft); white-space: nowrap; } .search-line button[aria-label] { min-width: 44px; font-size: 20px; }
.search-line input[type=checkbox] { width: 18px; height: 18px; accent-color: var(--verdigris); }
.swatch { min-height: 44px; padding: 0 14px; border: 0; border-radius: 3px; color: var(--ink); font: 16px ${face.interface}; cursor: pointer; margin-bottom: 6px; }
.swatch[data-pigment='ochre'] { background: var(--washOchre); } .swatch[data-pigment='verdigris'] { background: var(--washVerdigris); } .swatch[data-pigment='lapis'] { background: var(--washLapis); } .swatch[data-pigment='vermilion'] { background: var(--washVermilion); } .swatch[data-pigment='plum'] { background: var(--washPlum); }
@media (max-width: 719px) { body:has(.toolbar) .margin-sheet:not(.open), body:has(.block-bar) .margin-sheet:not(.open) { display: none; } .page-body:has(.chosen) .margin-count { visibility: hidden; } }

.picked-files { display: none; }
.long-page { font: 16px/22px ${face.interface}; color: var(--ochre); border-inline-start: 3px solid var(--ochre); padding: 0 0 0 12px; margin: 0 0 12px; } .long-page button { font: 500 16px ${face.interface}; color: var(--lapis); background: none; border: 0; min-height: 44px; padding: 0 12px 0 0; cursor: pointer; }
.beside { flex: 1; min-width: 0; box-sizing: border-box; border-inline-start: 1px solid var(--rule); padding: 6px 10px 60px 24px; background: var(--leaf); position: sticky; top: 0; height: 100vh; overflow-y: auto; }
.beside-head { display: flex; align-items: center; gap: 8px; min-height: 44px; padding-inline-end: 6px; } .beside .title { font-size: 28px; padding-bottom: 12px; }
`;
