import { face, palettes } from '../../palette';

const { light } = palettes;

/** How a printed book looks: paper, with numbers at the foot of each leaf. */
export const printSheet = (): string => `
@page { size: A4; margin: 22mm 24mm 24mm; @bottom-center { content: counter(page); font: 10pt ${face.writing}; color: ${light.soft}; } }
@page :first { @bottom-center { content: none; } }
* { box-sizing: border-box; }
body { font: 11.5pt/1.42 ${face.writing}; color: ${light.ink}; background: #fff; margin: 0 auto; max-width: 170mm; padding: 0 4mm; font-variant-numeric: oldstyle-nums; overflow-wrap: break-word; hyphens: auto; }
@media screen { body { padding: 12mm 6mm 20mm; } }
a { color: inherit; text-decoration: none; border-bottom: 0.4pt solid ${light.leader}; }
.title-leaf { text-align: center; padding-top: 28%; break-after: page; } .title-leaf h1 { font-size: 30pt; line-height: 1.1; margin: 0 0 6mm; } .title-leaf p { color: ${light.soft}; }
.contents-leaf { break-after: page; } .contents-leaf > h2, .index > h2 { font: 700 20pt/1.2 ${face.writing}; margin: 0 0 6mm; }
.contents-leaf ol { list-style: none; margin: 0; padding: 0; } .contents-leaf ol ol { padding-left: 6mm; }
.contents-leaf a { display: flex; align-items: baseline; gap: 3mm; border: 0; break-inside: avoid; padding: 0.5mm 0; }
.contents-leaf a::before { content: ''; order: 1; flex: 1; border-bottom: 0.6pt dotted ${light.leader}; } .contents-leaf .folio { order: 2; color: ${light.soft}; }
.contents-leaf .part > a { font: 700 13pt/1.4 ${face.capitals}; text-transform: lowercase; margin-top: 3mm; border-bottom: 1pt solid ${light.ink}; } .contents-leaf .part > a::before { border: 0; }
.chapter { font: 700 17pt/1.2 ${face.writing}; margin: 11mm 0 4mm; break-after: avoid; } .chapter .folio { color: ${light.vermilion}; font-weight: 400; margin-right: 4mm; }
section.outer { break-before: page; } section.part .chapter { font: 700 24pt/1.2 ${face.writing}; border-bottom: 1.5pt solid ${light.ink}; padding-bottom: 2mm; }
div[data-form] h2, div[data-form] h3, div[data-form] h4 { font-size: 12.5pt; margin: 5mm 0 2mm; break-after: avoid; }
p { margin: 0 0 2.4mm; orphans: 3; widows: 3; }
.first::first-letter { color: ${light.vermilion}; }
.note, dt, figcaption, .led { color: ${light.soft}; } .led { font-size: 0.85em; }
div[data-form] { white-space: pre-wrap; } ul, ol { margin: 0 0 2.4mm; padding-left: 6mm; white-space: normal; } li { white-space: pre-wrap; }
li[data-kind='todo'] { list-style: none; margin-left: -5mm; } .box { margin-right: 2mm; }
blockquote { margin: 0 0 2.4mm; padding-left: 4mm; border-left: 1.2pt solid ${light.leader}; }
pre, code { font-family: ${face.code}; font-size: 0.82em; } pre { white-space: pre-wrap; border-left: 1.2pt solid ${light.rule}; padding-left: 4mm; }
mark { background: ${light.washOchre}; print-color-adjust: exact; } span[data-tag], .tag { font-family: ${face.capitals}; text-transform: lowercase; color: ${light.ochre}; }
figure { margin: 0 0 4mm; break-inside: avoid; } img { max-width: 100%; max-height: 200mm; }
table { width: 100%; border-collapse: collapse; margin: 0 0 4mm; white-space: normal; font-variant-numeric: lining-nums; font-size: 0.92em; } thead { display: table-header-group; } tr { break-inside: avoid; }
td, th { text-align: left; vertical-align: top; padding: 1mm 3mm 1mm 0; border-bottom: 0.5pt solid ${light.rule}; } th { font-family: ${face.capitals}; text-transform: lowercase; border-bottom-color: ${light.ink}; } td p, th p { margin: 0; }
dl { display: grid; grid-template-columns: max-content 1fr; gap: 0 5mm; margin: 0 0 4mm; } dd { margin: 0; }
aside[data-card] { border: 0.6pt solid ${light.rule}; padding: 2mm 4mm; margin: 0 0 3mm; }
.contents, .headings { list-style: none; padding: 0; } .contents .at { color: ${light.soft}; margin-left: 3mm; }
.index { break-before: page; } .index .columns { columns: 2; column-gap: 9mm; } .index h3 { margin: 4mm 0 1mm; color: ${light.vermilion}; } .index ul { list-style: none; padding: 0; } .index li { padding-left: 5mm; text-indent: -5mm; white-space: normal; break-inside: avoid; }
`;
