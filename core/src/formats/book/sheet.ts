import { face, palettes } from '../../palette';

const { light } = palettes;

/** How a book looks; readers choose letters and sizes of their own over it. */
export const bookSheet = (): string => `
body { font-family: ${face.writing}; line-height: 1.4; margin: 0 4%; }
h1 { font-size: 1.5em; line-height: 1.15; margin: 1.2em 0 0.6em; }
h2 { font-size: 1.2em; margin: 1.2em 0 0.4em; } h3 { font-size: 1.08em; } h4 { font-size: 1em; }
p { margin: 0 0 0.6em; }
a { color: ${light.verdigris}; }
.leaf { text-align: center; padding-top: 20%; }
.note, figcaption, dt { color: ${light.soft}; }
.first::first-letter { color: ${light.vermilion}; }
div[data-form] { white-space: pre-wrap; }
ul, ol { padding-left: 1.4em; white-space: normal; } li { white-space: pre-wrap; }
li[data-kind='todo'] { list-style: none; margin-left: -1.2em; } .box { margin-right: 0.4em; }
blockquote { margin: 0 0 0.6em; padding-left: 0.9em; border-left: 2px solid ${light.leader}; }
pre, code { font-family: ${face.code}; font-size: 0.85em; } pre { white-space: pre-wrap; }
mark { background: ${light.washOchre}; }
span[data-tag], .tag { color: ${light.ochre}; font-variant: small-caps; }
img { max-width: 100%; } figure { margin: 0 0 0.8em; }
table { border-collapse: collapse; margin: 0 0 0.8em; white-space: normal; } td, th { text-align: left; vertical-align: top; padding: 0.2em 0.8em 0.2em 0; border-bottom: 1px solid ${light.rule}; } td p, th p { margin: 0; }
dl { margin: 0 0 1em; } dd { margin: 0 0 0.3em 1.2em; }
aside[data-card] { border: 1px solid ${light.rule}; padding: 0.5em 0.8em; margin: 0 0 0.6em; }
.contents, .headings, nav ol { list-style: none; } .index ul { list-style: none; padding: 0; } .index a { text-decoration: none; } .index li { white-space: normal; padding-left: 1.2em; text-indent: -1.2em; }
.contents .at { color: ${light.soft}; margin-left: 0.6em; }
`;
