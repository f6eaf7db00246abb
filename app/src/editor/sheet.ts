import { face } from '../theme/tokens';

/** Depths that have a numbering of their own; deeper ones go on counting with the last. */
const COUNTERS = Array.from({ length: 25 }, (_each, depth) => `n${depth}`);
const numbering = COUNTERS.map((counter, depth) => {
  const deeper = COUNTERS.slice(depth + 1).join(' ');
  return [
    `.writing .block[data-depth='${depth}'] { counter-reset: ${counter} ${deeper}; }`,
    `.writing .block[data-kind='numbered'][data-depth='${depth}'] { counter-reset: ${deeper || 'none'}; counter-increment: ${counter}; }`,
    `.writing .block[data-kind='numbered'][data-depth='${depth}']::before { content: counter(${counter}) '.'; }`,
  ].join('\n');
}).join('\n');

/** How the text of a page looks, in the editor and where it is shown still. */
export const writingSheet = `
.writing { font: 400 19px/27px ${face.writing}; color: var(--ink); outline: none; overflow-wrap: anywhere; font-variant-numeric: oldstyle-nums; counter-reset: ${COUNTERS.join(' ')}; }
@media (min-width: 720px) { .writing { font-size: 19.5px; line-height: 28px; } }
.writing > * { position: relative; }
.writing .words { margin: 0; min-height: 27px; font: inherit; }
.writing .block, .writing pre, .writing table, .writing hr { margin: 0 0 10px; margin-inline-start: calc(var(--depth, 0) * 26px); }
.writing .block { position: relative; scroll-margin: 90px; }
.writing .block[data-kind='heading'] { margin-top: 20px; margin-bottom: 6px; }
.writing > .block:first-child[data-kind='heading'], .writing .run:first-child > .block:first-child[data-kind='heading'] { margin-top: 8px; }
.writing .block[data-kind='heading'] .words, .writing .block[data-kind='heading'].words { font-weight: 700; font-size: 22px; line-height: 28px; }
.writing .block[data-kind='heading'][data-level='1'] .words, .writing .block[data-kind='heading'][data-level='1'].words { font-size: 26px; line-height: 32px; }
.writing .block[data-kind='heading'][data-level='3'] .words, .writing .block[data-kind='heading'][data-level='3'].words { font-size: 20px; }
.writing .block[data-kind='heading'][data-level='4'] .words, .writing .block[data-kind='heading'][data-level='4'].words { font-size: 19px; font-style: italic; }
.writing .block[data-kind='bulleted'], .writing .block[data-kind='numbered'], .writing .block[data-kind='todo'] { padding-inline-start: 28px; margin-bottom: 6px; }
.writing .block[data-kind='bulleted']::before { content: '–'; position: absolute; inset-inline-start: 8px; color: var(--soft); }
.writing .block[data-kind='numbered']::before { position: absolute; inset-inline-start: 0; min-width: 22px; color: var(--soft); font-size: .86em; text-align: end; }
.writing .block[data-kind='quote'] { padding-inline-start: 18px; border-inline-start: 2px solid var(--rule); }
.writing .block[data-kind='quote'] .words, .writing .block[data-kind='quote'].words { font-style: italic; }
.writing .block[data-kind='note'] { padding: 10px 14px; background: var(--parchment); }
.writing .box { position: absolute; inset-inline-start: -13px; top: -9px; width: 44px; height: 44px; padding: 0; border: 0; background: none; cursor: pointer; }
@media (hover: none) { .writing .block[data-kind='todo'] { min-height: 44px; box-sizing: border-box; padding-block: 8px; margin-block: 0; } .writing .block[data-kind='todo'] > .box { top: 0; } }
.writing .box::before { content: ''; position: absolute; left: 13px; top: 14px; width: 14px; height: 14px; border: 1.6px solid var(--slate); border-radius: 3px; }
.writing .box[aria-checked='true']::before { background: var(--verdigris); border-color: var(--verdigris); }
.writing .box[aria-checked='true']::after { content: ''; position: absolute; left: 18.5px; top: 15.5px; width: 4px; height: 9px; border: solid var(--leaf); border-width: 0 2px 2px 0; transform: rotate(42deg); }
.writing .box[aria-checked='mixed']::before { background: linear-gradient(135deg, var(--slate) 50%, transparent 50%); }
.writing .words::after { content: var(--at-end, none); margin-inline-start: 8px; color: var(--ochre); font: 700 15px/20px ${face.interface}; font-variant-numeric: lining-nums; unicode-bidi: isolate; white-space: normal; }
.writing .box:disabled { cursor: default; }
.writing .block[data-kind='fold'] { padding-inline-start: 28px; margin-bottom: 6px; }
.writing .fold { position: absolute; inset-inline-start: -11px; top: -9px; width: 44px; height: 44px; padding: 0; border: 0; background: none; cursor: pointer; }
.writing .fold::before { content: ''; position: absolute; left: 17px; top: 17px; border: solid var(--slate); border-width: 0 2px 2px 0; width: 7px; height: 7px; transform: rotate(45deg); transform-origin: 60% 60%; transition: transform .14s; }
.writing .fold[aria-expanded='false']::before { transform: rotate(-45deg); }
[dir='rtl'] .fold[aria-expanded='false']::before { transform: rotate(135deg); }
.writing .folded-away { display: none; }
.writing [data-tint] { border-radius: 3px; box-shadow: 0 0 0 5px var(--tint); background: var(--tint); }
.writing [data-tint='ochre'] { --tint: color-mix(in srgb, var(--washOchre) 55%, transparent); } .writing [data-tint='verdigris'] { --tint: color-mix(in srgb, var(--washVerdigris) 55%, transparent); }
.writing [data-tint='lapis'] { --tint: color-mix(in srgb, var(--washLapis) 55%, transparent); } .writing [data-tint='vermilion'] { --tint: color-mix(in srgb, var(--washVermilion) 55%, transparent); }
.writing [data-tint='plum'] { --tint: color-mix(in srgb, var(--washPlum) 55%, transparent); }
.writing .chosen { box-shadow: -4px 0 0 0 var(--lapis); background: color-mix(in srgb, var(--washLapis) 60%, transparent); }
[dir='rtl'] .chosen { box-shadow: 4px 0 0 0 var(--lapis); }
.writing .block[data-state='done'] .words { color: var(--soft); }
.writing .block[data-state='dropped'] .words { color: var(--soft); text-decoration: line-through; }
.writing .link, .writing a, .gloss a, .lines a, .task .link { color: var(--verdigris); text-decoration: underline; text-decoration-thickness: 1px; text-underline-offset: 3px; cursor: pointer; }
.writing .link[data-state='unwritten'], .gloss .link[data-state='unwritten'], .task .link[data-state='unwritten'] { color: var(--ochre); }
.link[data-state='unwritten']::after { content: ''; display: inline-block; width: 5px; height: 5px; border: 1.4px solid currentColor; border-radius: 50%; vertical-align: super; margin-inline-start: 2px; }
.writing .link[data-state='binned'], .writing .link[data-state='gone'], .gloss .link[data-state='binned'], .gloss .link[data-state='gone'] { color: var(--soft); text-decoration-style: dashed; }
.link[data-state='binned']::after { content: ' in the bin'; font: 14px ${face.interface}; }
.link[data-state='gone']::after { content: ' gone'; font: 14px ${face.interface}; }
.link.ProseMirror-selectednode, .tag.ProseMirror-selectednode { outline: 2px solid var(--lapis); outline-offset: 2px; border-radius: 2px; }
.tag { font: 500 .86em ${face.capitals}; font-feature-settings: 'c2sc', 'smcp'; text-transform: lowercase; letter-spacing: .05em; word-spacing: -.16em; color: var(--ochre); }
.writing a.tag, .gloss a.tag, .lines a.tag, .task a.tag, .page-meta a.tag { color: inherit; text-decoration: none; } .writing a.tag[href], .gloss a.tag[href], .lines a.tag[href], .task a.tag[href], .page-meta a.tag[href] { color: var(--ochre); cursor: pointer; } a.tag[href]:hover { text-decoration: underline; } .page-meta .tag[data-state='binned'] { display: none; } .page-tags .tag + .tag { margin-inline-start: 12px; }
.tag[data-state='binned'], .tag[data-state='gone'] { font: inherit; font-feature-settings: normal; text-transform: none; letter-spacing: 0; word-spacing: 0; color: inherit; }
${['ochre', 'verdigris', 'lapis', 'vermilion', 'plum', 'slate'].map((pigment) => `.writing a.tag[href][data-pigment='${pigment}'], a.tag[href][data-pigment='${pigment}'] { text-decoration: underline 2px var(--${pigment}); text-underline-offset: 3px; }`).join(' ')}
.writing code { font: .82em ${face.code}; background: var(--ground); padding: 1px 4px; border-radius: 3px; }
.writing pre { background: var(--ground); padding: 12px 14px; overflow-x: auto; border-radius: 3px; }
.writing pre code { background: none; padding: 0; }
mark, .marked { background: var(--washOchre); color: var(--ink); padding: 0 2px; border-radius: 1px; }
mark[data-pigment='verdigris'] { background: var(--washVerdigris); } mark[data-pigment='lapis'] { background: var(--washLapis); }
mark[data-pigment='vermilion'] { background: var(--washVermilion); } mark[data-pigment='plum'] { background: var(--washPlum); }
.writing hr { border: 0; height: 18px; background: radial-gradient(circle, var(--soft) 1.6px, transparent 2px) center / 18px 18px repeat-x; max-width: 54px; margin: 10px auto 18px; }
.writing hr.ProseMirror-selectednode { outline: 2px solid var(--lapis); }
.writing .tableWrapper { overflow-x: auto; margin: 0 0 14px; margin-inline-start: calc(var(--depth, 0) * 26px); padding: 1px; scroll-margin: 90px; }
.writing table { border-collapse: collapse; font: 16px/22px ${face.interface}; font-variant-numeric: lining-nums tabular-nums; min-width: 100%; margin: 0; }
.writing.still table { display: block; overflow-x: auto; margin: 0 0 14px; min-width: 0; }
.writing table.sized { table-layout: fixed; } .writing .tableWrapper table:not(.sized) { min-width: 100% !important; }
.writing th, .writing td { position: relative; border: 1px solid var(--rule); border-width: 0 0 1px; padding: 6px 14px 6px 6px; text-align: start; vertical-align: top; min-width: 40px; }
.writing [contenteditable=true] table td, .writing[contenteditable=true] td, .writing[contenteditable=true] th { border-width: 1px; }
.writing [data-align='center'] { text-align: center; } .writing [data-align='right'] { text-align: end; }
.writing th { background: color-mix(in srgb, var(--ground) 60%, transparent); }
.writing .selectedCell { background: color-mix(in srgb, var(--washLapis) 55%, transparent); }
.writing .column-resize-handle { position: absolute; right: -2px; top: 0; bottom: 0; width: 3px; background: var(--lapis); pointer-events: none; z-index: 2; }
.writing.resize-cursor { cursor: col-resize; }
.writing td .block, .writing th .block { padding-inline-start: 0; } .writing td .block[data-kind='todo'], .writing td .block[data-kind='bulleted'], .writing td .block[data-kind='numbered'] { padding-inline-start: 26px; }
.writing th { font-weight: 700; border-bottom-color: var(--soft); }
.writing td .block, .writing th .block { margin: 0; } .writing td .words, .writing th .words { min-height: 22px; }
.writing .is-editor-empty:first-child .words::before, .writing .block.is-empty .words[data-placeholder]::before { color: var(--soft); }
.writing .is-empty.is-editor-empty::before { content: attr(data-placeholder); position: absolute; color: var(--soft); font-style: italic; pointer-events: none; }
.writing .picture, .writing .file, .writing .card-block { margin: 0 0 14px; margin-inline-start: calc(var(--depth, 0) * 26px); scroll-margin: 90px; }
.writing .picture img { display: block; max-width: 100%; height: auto; border-radius: 2px; } .writing .picture-coming { padding: 28px; background: var(--ground); color: var(--soft); font: 16px ${face.interface}; }
.writing [data-selected] > img, .writing .file[data-selected] { outline: 2px solid var(--lapis); outline-offset: 2px; }
.writing .caption { display: block; width: 100%; box-sizing: border-box; min-height: 34px; border: 0; background: none; color: var(--soft); font: italic 17px/24px ${face.writing}; padding: 4px 0; }
.still .caption { min-height: 0; }
.picture-tools { display: flex; flex-wrap: wrap; gap: 8px; align-items: center; } .picture-tools input { flex: 1 1 220px; min-height: 40px; border: 1px solid var(--rule); border-radius: 3px; padding: 0 10px; background: var(--leaf); color: var(--ink); font: 16px ${face.interface}; }
.picture-tools button { min-height: 44px; padding: 0 10px; border: 0; background: none; color: var(--lapis); font: 500 16px ${face.interface}; cursor: pointer; } .picture-tools button[aria-pressed='true'] { color: var(--ink); text-decoration: underline; text-underline-offset: 5px; }
.writing .file { border-inline-start: 3px solid var(--rule); padding: 2px 0 2px 14px; } .writing .file audio { display: block; width: 100%; max-width: 440px; margin: 4px 0; } .writing .file iframe { display: block; width: 100%; height: 420px; border: 1px solid var(--rule); margin: 4px 0 8px; background: var(--ground); }
.writing .file-line { display: flex; gap: 12px; align-items: baseline; font: 17px/26px ${face.interface}; } .writing .file-line span { color: var(--soft); }
.writing a.page-card { display: flex; gap: 14px; text-decoration: none; color: var(--ink); border: 1px solid var(--rule); border-inline-start: 4px solid var(--verdigris); border-radius: 3px; padding: 12px 14px; overflow: hidden; }
.page-card img { width: 96px; height: 72px; object-fit: cover; border-radius: 2px; flex: none; } .page-card-words { min-width: 0; display: block; } .page-card-title { display: block; font: 700 18px/23px ${face.writing}; } .page-card-text { display: -webkit-box; -webkit-line-clamp: 2; -webkit-box-orient: vertical; overflow: hidden; color: var(--soft); font: 16px/21px ${face.interface}; }
.writing .search-match { background: var(--washOchre); } .writing .search-match.active { background: var(--washVermilion); outline: 1px solid var(--vermilion); } .writing .search-match.other:not(.active) { background: none; box-shadow: inset 0 -0.3em 0 var(--washOchre); } .search-match.empty { display: inline-block; width: 3px; height: 1em; vertical-align: text-bottom; }
.writing .list-owner { position: absolute; width: 0; height: 0; overflow: hidden; }
.writing .kept { font: 15px/20px ${face.interface}; color: var(--ochre); border-inline-start: 3px solid var(--ochre); padding: 2px 0 2px 10px; margin-top: 4px; }
.writing .kept button { font: inherit; color: var(--lapis); background: none; border: 0; padding: 4px 6px; text-decoration: underline; cursor: pointer; }
.writing .ProseMirror-gapcursor { position: absolute; }
.landed > .words, .landed.words, hr.landed, pre.landed, .tableWrapper.landed { animation: landed 1.2s ease-out; }
@keyframes landed { from { background: var(--washOchre); } to { background: transparent; } }
@media (prefers-reduced-motion: reduce) { .landed > .words, .landed.words { animation-duration: 1.2s; animation-timing-function: steps(1, end); } }
${numbering}
.title { font: 700 32px/1.12 ${face.writing}; font-variant-ligatures: none; margin: 0; color: var(--ink); outline: none; overflow-wrap: anywhere; }
.title::first-letter { color: var(--vermilion); }
.title-field { display: block; outline: none; min-height: 1.1em; }
.title-field:empty::before { content: attr(data-placeholder); color: var(--soft); }
@media (min-width: 720px) { .title { font-size: 37px; } }
.picker { position: fixed; z-index: 60; box-sizing: border-box; max-width: calc(100vw - 16px); max-height: min(60vh, 380px); overflow-y: auto; background: var(--leaf); border: 1px solid var(--rule); border-radius: 4px; box-shadow: 0 8px 28px var(--shadow); padding: 4px 0; }
.choice { display: block; padding: 7px 14px; min-height: 44px; box-sizing: border-box; cursor: pointer; border-inline-start: 3px solid transparent; }
.choice.active { background: var(--ground); border-inline-start-color: var(--vermilion); }
.choice-words { display: block; font: 500 17px/21px ${face.interface}; color: var(--ink); overflow-wrap: anywhere; }
.choice-words.new { color: var(--lapis); }
.choice-detail { display: block; font: 15px/18px ${face.interface}; color: var(--soft); overflow-wrap: anywhere; }
.gloss { font: 16px/21px ${face.interface}; color: var(--ink); overflow-wrap: anywhere; }
.gloss .words { display: inline; } .gloss .link, .gloss a { color: var(--verdigris); }
`;
