export { readHtml, writeHtml } from '@glossarion/core/formats/html';
export { readMarkdown, resolveReferences, writeMarkdown } from '@glossarion/core/formats/markdown';
