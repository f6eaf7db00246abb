import { declarations, face } from '../../palette';

/** How a site looks: as the product does, with nothing of its own but this sheet and its letters. */
export const siteSheet = (): string => `
:root { ${declarations('light')} }
@media (prefers-color-scheme: dark) { :root { ${declarations('dark')} } }
* { box-sizing: border-box; }
html { scroll-padding-top: 72px; overflow-wrap: break-word; }
body { margin: 0; background: var(--leaf); color: var(--ink); font: 19px/27px ${face.writing}; font-variant-numeric: oldstyle-nums; --own: var(--vermilion); }
a { color: var(--verdigris); text-underline-offset: 3px; text-decoration-thickness: 1px; }
a:focus-visible, summary:focus-visible, input:focus-visible { outline: 2px solid var(--lapis); outline-offset: 2px; }
.skip { position: absolute; left: -999px; }
.skip:focus { left: 12px; top: 12px; background: var(--leaf); padding: 8px; z-index: 2; }
.top { position: sticky; top: 0; z-index: 1; display: flex; flex-wrap: wrap; align-items: center; gap: 4px 18px; padding: 8px 20px; background: var(--ground); border-bottom: 1px solid var(--rule); font: 17px/24px ${face.interface}; }
.home { font: 700 20px/32px ${face.writing}; color: var(--ink); text-decoration: none; margin-right: auto; }
.find { display: flex; align-items: center; gap: 8px; min-width: 0; flex: 0 1 340px; }
.find label { color: var(--soft); }
.find input { font: 17px/24px ${face.interface}; color: var(--ink); background: var(--leaf); border: 1px solid var(--leader); padding: 7px 10px; flex: 1; min-width: 0; height: 44px; }
.found { max-width: 1000px; margin: 0 auto; padding: 16px 20px 28px; border-bottom: 3px double var(--rule); }
.found ol { list-style: none; margin: 0; padding: 0; }
.found li { padding: 8px 0; border-bottom: 1px solid var(--rule); }
.found .line { display: block; color: var(--ink); text-decoration: none; padding: 4px 0; }
.found mark { background: var(--washOchre); color: var(--ink); }
.count, .where, .note, .at { font: 16px/22px ${face.interface}; color: var(--soft); }
.text { max-width: 680px; margin: 0 auto; padding: 22px 20px 64px; }
.trail { font: 16px/22px ${face.interface}; color: var(--soft); padding-bottom: 8px; }
.trail a { color: var(--soft); display: inline-block; padding: 4px 0; }
h1 { font: 700 32px/37px ${face.writing}; margin: 0 0 10px; }
h2, h3, h4 { font-family: ${face.writing}; margin: 26px 0 8px; line-height: 1.2; }
h2 { font-size: 24px; } h3 { font-size: 21px; } h4 { font-size: 19px; }
p { margin: 0 0 10px; }
[data-form] { white-space: pre-wrap; }
p.first::first-letter { color: var(--vermilion); }
[data-form] ul, [data-form] ol { margin: 0 0 10px; padding-left: 26px; white-space: normal; }
[data-form] li { white-space: pre-wrap; padding: 1px 0; }
[data-form] li::marker { color: var(--soft); }
li[data-kind='todo'] { list-style: none; margin-left: -24px; }
li[data-kind='todo'] > input { margin: 0 8px 0 0; accent-color: var(--verdigris); }
li[data-state='done'], li[data-state='dropped'] { color: var(--soft); }
blockquote { margin: 0 0 10px; padding: 2px 0 2px 16px; border-left: 3px solid var(--leader); color: var(--ink); }
blockquote[data-kind='note'] { background: var(--parchment); border-color: var(--ochre); padding: 10px 16px; }
pre { font: 15px/22px ${face.code}; background: var(--ground); padding: 12px 14px; overflow-x: auto; }
code { font: 0.85em ${face.code}; }
mark { background: var(--washOchre); color: inherit; }
mark[data-pigment='verdigris'] { background: var(--washVerdigris); } mark[data-pigment='lapis'] { background: var(--washLapis); }
mark[data-pigment='vermilion'] { background: var(--washVermilion); } mark[data-pigment='plum'] { background: var(--washPlum); }
[data-tag] { font: 0.95em ${face.capitals}; text-transform: lowercase; color: var(--ochre); }
.elsewhere { border-bottom: 1px dotted var(--leader); }
hr { border: 0; border-top: 1px solid var(--rule); margin: 24px 0; }
figure { margin: 0 0 12px; } figcaption { font: 16px/22px ${face.interface}; color: var(--soft); }
img { max-width: 100%; height: auto; }
table { display: block; max-width: 100%; overflow-x: auto; border-collapse: collapse; margin: 0 0 14px; font-variant-numeric: lining-nums; white-space: normal; }
th, td { text-align: left; vertical-align: top; padding: 5px 16px 5px 0; border-bottom: 1px solid var(--rule); }
th { font: 700 17px/24px ${face.capitals}; text-transform: lowercase; border-bottom-color: var(--ink); }
td p, th p { margin: 0; }
aside[data-card] { border: 1px solid var(--rule); padding: 10px 14px; margin: 0 0 10px; }
dl.fields { display: grid; grid-template-columns: max-content minmax(0, 1fr); gap: 2px 16px; margin: 0 0 16px; padding: 10px 0; border-top: 1px solid var(--rule); border-bottom: 1px solid var(--rule); }
dl.fields dt { font: 17px/24px ${face.capitals}; text-transform: lowercase; color: var(--soft); } dl.fields dd { margin: 0; }
.contents, .headings { list-style: none; margin: 0 0 14px; padding: 0; white-space: normal; }
.contents .contents { padding-left: 20px; margin: 0; }
.contents .line { display: flex; align-items: baseline; gap: 10px; min-height: 44px; padding-top: 8px; }
.contents .page > .line > a { color: var(--ink); text-decoration: none; }
.contents .page > .line > a:hover { text-decoration: underline; }
.contents .line::after { content: ''; order: 1; flex: 1; border-bottom: 1px dotted var(--leader); min-width: 12px; }
.contents .line:not(:has(.at))::after { border: 0; }
.contents .at { order: 2; }
.contents .part > .line { border-bottom: 2px solid var(--own); margin-top: 12px; }
.contents .part > .line::after { border: 0; }
.contents .part > .line > a { font: 700 20px/26px ${face.capitals}; text-transform: lowercase; color: var(--ink); text-decoration: none; }
.headings li { padding: 6px 0; } .headings [data-level='2'] { padding-left: 18px; } .headings [data-level='3'] { padding-left: 36px; }
.part-name { font: 700 19px/24px ${face.capitals}; text-transform: lowercase; color: var(--soft); border-bottom: 1px solid var(--rule); }
.beneath { padding-top: 12px; }
.turning { display: flex; justify-content: space-between; gap: 20px; border-top: 1px solid var(--rule); margin-top: 36px; padding-top: 12px; font: 17px/24px ${face.interface}; }
.turning a { padding: 10px 0; } .turning .before::before { content: '← '; } .turning .after { margin-left: auto; text-align: right; } .turning .after::after { content: ' →'; }
.spoken { display: flex; flex-direction: column-reverse; }
.glosses { white-space: normal; font: 16px/21px ${face.interface}; color: var(--soft); margin: 0 0 12px; }
.glosses summary { cursor: pointer; color: var(--ochre); min-height: 32px; padding: 5px 0; }
.glosses ul { list-style: none; margin: 0; padding: 0; }
.glosses li { border-left: 3px solid var(--own); padding: 2px 0 6px 10px; margin: 4px 0; white-space: normal; }
.glosses li a { font: 500 17px/22px ${face.writing}; }
.glosses .where, .glosses .words { display: block; } .glosses .words { color: var(--ink); font: 16px/21px ${face.writing}; }
.glosses .where { font-size: 15px; }
:target { animation: landed 1.2s; }
@keyframes landed { from { background: var(--washOchre); } }
${['lapis', 'verdigris', 'vermilion', 'ochre', 'plum', 'slate'].map((name) => `[data-pigment='${name}']:not(mark) { --own: var(--${name}); }`).join('\n')}
@media (max-width: 479px) { .find { flex: 1 0 100%; } }
@media (min-width: 1080px) {
    .contents .line { min-height: 34px; padding-top: 4px; }
  .spoken { display: block; }
  .text { max-width: 1000px; padding: 28px 330px 80px 30px; }
  [data-index] .text { max-width: 760px; padding: 28px 30px 80px; }
  body { font-size: 19.5px; line-height: 28px; }
  [data-form] > .glosses, [data-form] .glosses { float: right; clear: right; width: 272px; margin: 2px -304px 14px 20px; }
}
@media (prefers-reduced-motion: reduce) { :target { animation: none; background: var(--washOchre); } }
@media print { .top, .found, .turning, .skip { display: none; } .text { max-width: none; padding: 0; } }
`;
