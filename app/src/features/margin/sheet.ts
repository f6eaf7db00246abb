import { face, measure } from '../../theme/tokens';

/** How the Margin looks: column, sheet and counts. */
export const marginSheet = `
.margin { position: relative; width: ${measure.margin}px; flex: none; padding: 12px 18px 0 0; box-sizing: border-box; }
.margin-head { display: flex; gap: 14px; align-items: baseline; margin-inline-start: 8px; padding-bottom: 7px; border-bottom: 1px solid var(--rule); font: 15px/20px ${face.interface}; color: var(--soft); }
.margin-head h2 { font: 700 15px/20px ${face.interface}; color: var(--ink); margin: 0; }
.margin-stack { position: absolute; display: flex; flex-direction: column; inset-inline: 8px 18px; transition: top 150ms ease-out; }
@media (prefers-reduced-motion: reduce) { .margin-stack { transition: none; } }
.margin-mark { position: absolute; width: 3px; margin-left: -14px; background: var(--vermilion); pointer-events: none; }
.margin-gloss + .margin-gloss { margin-top: 10px; }
.stack-head { flex: none; } .stack-open { flex: 0 1 auto; min-height: 0; overflow-y: auto; overscroll-behavior: contain; scrollbar-width: thin; }
.stack-open.measured { position: absolute; inset-inline: 0; top: 0; visibility: hidden; pointer-events: none; overflow: hidden; }
.stack-closed { position: relative; display: flex; gap: 9px; width: 100%; height: 40px; padding: 0; border: 0; background: none; text-align: start; cursor: pointer; }
.stack-closed.short { height: 21px; }
.stack-closed::after { content: ''; position: absolute; inset: -5px 0; }
.stack-closed:hover .stack-words { text-decoration: underline; text-underline-offset: 3px; }
.stack-words { font: 15px/20px ${face.interface}; color: var(--soft); display: -webkit-box; -webkit-box-orient: vertical; -webkit-line-clamp: 2; overflow: hidden; overflow-wrap: anywhere; } .short .stack-words { -webkit-line-clamp: 1; }
.stack-words .strong { font-weight: 700; color: var(--ink); }
.stack-pigments { display: flex; gap: 2px; flex: none; align-self: stretch; } .stack-pigments > * { width: 3px; }
.stack-away { display: none !important; }
.stack-head { display: block; width: 100%; height: 34px; padding: 2px 0 10px; border: 0; background: none; text-align: start; cursor: pointer; } .stack-head .stack-words { color: var(--lapis); border-bottom: 1px solid var(--rule); padding-bottom: 2px; }
@media (hover: none) { .stack-head { height: 50px; padding-top: 18px; } .stack-closed::after { inset: -12px 0; } }
.margin-sheet-line { font: italic 15px/20px ${face.writing}; color: var(--soft); padding-top: 12px; } .margin-sheet-stack { scroll-margin-top: 2px; }
.margin-steps { display: flex; align-items: center; padding: 0 8px; border-block: 1px solid var(--rule); } .margin-steps button { flex: none; width: 44px; height: 44px; border: 0; background: none; font: 24px/44px ${face.interface}; color: var(--lapis); cursor: pointer; } .margin-steps button[data-end] { color: var(--rule); }
.margin-steps-words { flex: 1; min-width: 0; text-align: center; font: 15px/20px ${face.interface}; color: var(--soft); white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.margin .gloss { font-size: 15px; line-height: 19px; }
.gloss-origin { display: block; font: 14px/18px ${face.interface}; color: var(--soft) !important; text-decoration: none !important; padding-bottom: 1px; }
.gloss-origin:hover { text-decoration: underline !important; }
.gloss-detail::before { content: '·'; margin: 0 1px 0 5px; }
.gloss { border-inline-start: 3px solid var(--rule); padding-inline-start: 10px; }
.gloss { position: relative; } .gloss-grip { position: absolute; inset-block: 0; inset-inline-start: -7px; width: 15px; cursor: grab; touch-action: none; } .gloss-grip:active { cursor: grabbing; }
.gloss-grip::after { content: ''; position: absolute; inset-block: 0; inset-inline-start: 4px; width: 3px; background: inherit; } .gloss-grip:hover::after { width: 6px; background: var(--vermilion); }
.gloss-target { position: fixed; width: 4px; background: var(--vermilion); z-index: 40; pointer-events: none; }
.gloss-above { font: 14px/17px ${face.interface}; color: var(--soft); padding-bottom: 1px; overflow-wrap: anywhere; }
.gloss-field { font: 500 16px/20px ${face.capitals}; letter-spacing: .03em; text-transform: lowercase; font-feature-settings: 'smcp'; color: var(--soft); }
.gloss-line { overflow-wrap: anywhere; }
:is(.gloss, .meeting-open) .box { appearance: none; width: 15px; height: 15px; margin: 0 7px 0 0; padding: 0; vertical-align: -2px; border: 1.5px solid var(--soft); border-radius: 3px; background: none; cursor: pointer; position: relative; }
:is(.gloss, .meeting-open) .box::after { content: ''; position: absolute; inset: -15px -8px; }
:is(.gloss, .meeting-open) .box[data-state=done] { background: var(--verdigris); border-color: var(--verdigris); }
:is(.gloss, .meeting-open) .box[data-state=begun] { background: linear-gradient(90deg, var(--verdigris) 50%, transparent 50%); border-color: var(--verdigris); }
.gloss-words[data-state=done], .gloss-words[data-state=dropped] { color: var(--soft); } .gloss-words[data-state=dropped] { text-decoration: line-through; }
.gloss-tools { margin-inline-start: 6px; white-space: nowrap; } .gloss-origin ~ * .gloss-tools { position: absolute; top: 0; inset-inline-end: 0; margin: 0; padding-inline-start: 8px; pointer-events: none; } .gloss:hover .gloss-tools, .gloss:focus-within .gloss-tools { background: var(--leaf); pointer-events: auto !important; }
.gloss-tools button, .gloss-tools a { border: 0; background: none; padding: 0 3px; color: var(--soft) !important; font: 14px/18px ${face.interface}; text-decoration: underline !important; text-underline-offset: 3px; cursor: pointer; opacity: 0; }
.gloss:hover .gloss-tools *, .gloss:focus-within .gloss-tools *, .gloss-tools *:focus-visible { opacity: 1; }
span.gloss-above::before { content: '›'; margin: 0 2px 0 4px; }
@media (hover: none) {
  .gloss-origin { display: block; min-height: 44px; box-sizing: border-box; padding-block: 12px 4px; margin-inline-end: 62px; } [data-gloss] .gloss-origin, .gloss:has(.gloss-tools > * + *) .gloss-origin { margin-inline-end: 118px; }
  .gloss:not(:has(> .gloss-origin)) .gloss-line { padding-inline-end: 62px; }
  .gloss .gloss-tools { position: absolute; background: none !important; pointer-events: auto !important; top: 0; inset-inline-end: 0; margin: 0; } .gloss-tools * { opacity: 1 !important; min-height: 44px; min-width: 44px; padding: 0 8px !important; } .gloss.within .gloss-tools { position: static; display: flex; margin: 0 -8px; padding: 0 !important; }
  .gloss .box { margin: 14px 15px 14px 14px; vertical-align: middle; } .gloss .box::after { inset: -15px; }
}
.gloss-editor .ProseMirror { outline: none; padding: 4px 6px; margin-inline-start: -6px; background: var(--ground); border-radius: 3px; box-shadow: 0 0 0 1px var(--lapis); font: 16px/21px ${face.writing}; }
.margin-head button, .margin-more, .margin-foot h3 button, .also-named-acts button, .margin-hidden { border: 0; background: none; padding: 0; color: var(--lapis); font: 500 15px/20px ${face.interface}; cursor: pointer; }
.margin-head .margin-named { color: var(--soft); font-weight: 400; text-decoration: underline; text-underline-offset: 3px; }
.margin-head .margin-away { margin-inline-start: auto; color: var(--soft); opacity: 0; font-weight: 400; } .margin-head .margin-show ~ .margin-away { margin-inline-start: 0; } .margin:hover .margin-away, .margin-head .margin-away:focus-visible { opacity: 1; } @media (hover: none) { .margin-head .margin-away { opacity: 1; } }
.margin-head .margin-show { margin-inline-start: auto; } .margin-head .margin-show[data-on]::before { content: '•' / ''; color: var(--vermilion); margin-inline-end: 5px; }
.margin-tools { padding: 8px 0 10px; margin-inline-start: 8px; border-bottom: 1px solid var(--rule); font: 15px/20px ${face.interface}; color: var(--soft); }
.margin-choices { display: flex; gap: 8px; align-items: baseline; } .margin-choices-label { flex: none; width: 38px; } .margin-choices-all { display: flex; flex-wrap: wrap; gap: 0 11px; }
.margin-choice { min-height: 30px; padding: 2px 0; border: 0; background: none; color: var(--ink); font: 15px/20px ${face.interface}; cursor: pointer; text-align: start; } .margin-choice .small { font-size: 14px; color: var(--soft); }
.margin-choice.tag { color: var(--ochre); font-family: ${face.capitals}; text-transform: lowercase; letter-spacing: .06em; } .margin-choice[aria-pressed=true] { font-weight: 700; box-shadow: inset 0 -2px var(--vermilion); }
.margin-list .margin-choice { min-height: 44px; }
.margin-flow { padding-inline-start: 8px; } .margin-flow .gloss { margin: 12px 0; }
.margin-foot, .margin-older, .margin-group { margin-top: 22px; }
.margin-foot h3, .margin-older h3 { display: flex; align-items: baseline; gap: 8px; margin: 0 0 8px; padding-bottom: 5px; border-bottom: 1px solid var(--rule); font: 700 15px/20px ${face.interface}; color: var(--ink); } .margin-foot h3 span, .margin-older h3 span { color: var(--soft); font-weight: 400; } .margin-foot h3 button { margin-inline-start: auto; }
.margin-foot .gloss { margin: 12px 0; }
.margin-foot .marked { background: color-mix(in srgb, var(--ochre) 30%, transparent); color: inherit; border-radius: 2px; }
.also-named-acts { display: flex; gap: 16px; } .also-named-acts button, .margin-more { min-height: 32px; } .margin-list .also-named-acts button, .margin-list .margin-more, .margin-list .margin-foot h3 button { min-height: 44px; }
.also-named-acts button + button { color: var(--soft); font-weight: 400; }
.kin-title { font: 500 16px/21px ${face.writing}; color: var(--ink) !important; text-decoration: none !important; } .kin-title:hover { text-decoration: underline !important; }
.kin-why { font: italic 15px/19px ${face.writing}; color: var(--soft); overflow-wrap: anywhere; } .margin-foot .gloss-detail { font: 14px/18px ${face.interface}; color: var(--soft); }
.margin-group > button { display: flex; flex-wrap: wrap; align-items: baseline; gap: 6px; width: 100%; min-height: 32px; padding: 4px 0; border: 0; border-bottom: 1px solid var(--rule); background: none; color: var(--soft); font: 14px/18px ${face.interface}; text-align: start; cursor: pointer; } .margin-group > button .strong { font: 500 16px/21px ${face.writing}; color: var(--ink); } .margin-group > button .small { font-size: 14px; margin-inline-start: auto; }
.margin-group > button .gloss-detail { order: 3; width: 100%; padding-inline-start: 16px; } .margin-group > button .gloss-detail::before { content: none; }
.margin-group > button::before { content: '▸' / ''; color: var(--soft); width: 10px; } .margin-group > button[aria-expanded=true]::before { content: '▾' / ''; }
.margin-hidden { align-self: flex-start; margin: 14px 18px 0 0; flex: none; color: var(--soft); font-weight: 400; }
.margin-grab-named { margin-inline-start: 14px; } .margin-show-sheet { min-height: 44px; font: 500 16px/44px ${face.interface}; color: var(--lapis); cursor: pointer; }
.page-names { font-style: italic; }
.gloss-children { margin-top: 3px; padding-inline-start: 10px; border-inline-start: 1px solid var(--rule); }
.gloss .tag { font-size: .9em; }
.margin-count { position: absolute; right: -16px; width: 44px; height: 44px; margin: -8px 0 0; text-align: end; padding: 0; border: 0; background: none; font: 700 14px/17px ${face.interface}; cursor: pointer; z-index: 3; }
.margin-count-number { display: inline-block; border-inline-start: 3px solid currentColor; padding: 0 5px; }
.margin-sheet { position: fixed; left: 0; right: 0; bottom: ${measure.bar}px; z-index: 15; background: var(--ground); border-top: 1px solid var(--rule); display: flex; flex-direction: column; }
.margin-sheet.open { border-radius: 14px 14px 0 0; box-shadow: 0 -8px 24px var(--shadow); height: min(46vh, 420px); }
.margin-grab { border: 0; background: none; display: block; width: 100%; min-height: 44px; padding: 6px 18px 4px; text-align: start; cursor: pointer; flex: none; }
.margin-grab .grab { margin: 0 auto 5px; }
.margin-grab-words { font: 15px/22px ${face.interface}; color: var(--soft); }
.margin-grab-words .strong { font: 700 18px/22px ${face.writing}; color: var(--ink); margin-inline-end: 10px; }
.margin-list { overflow-y: auto; overscroll-behavior: contain; touch-action: pan-y pinch-zoom; padding: 2px 18px 18px; flex: 1; outline-offset: -2px; }
.margin-list-gloss { margin: 10px 0; scroll-margin-top: 6px; }
@media (min-width: ${measure.wide}px) { .margin-sheet { bottom: 0; left: auto; width: 360px; border-inline-start: 1px solid var(--rule); border-radius: 10px 0 0 0; } .margin-sheet.open { height: 70vh; border-radius: 14px 0 0 0; } }
`;
