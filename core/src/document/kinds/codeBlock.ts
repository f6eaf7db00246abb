import type { Element, ElementContent } from 'hast';
import type { Code } from 'mdast';
import { textOf } from '../attributes';
import type { NodeJson } from '../types';
import { element, htmlText, orNone, type MarkdownReading, type SolidKind } from './kind';
import { paragraphOf, solidBlock } from './made';

const LONGEST_NAME = 60;

/** The null character can't be stored. */
const listing = (value: string): NodeJson[] => {
  const text = value.replaceAll('\u0000', '');
  return text === '' ? [] : [{ type: 'text', text }];
};

const rawText = (node: Element | ElementContent): string => {
  if (node.type === 'text') return node.value;
  if (node.type !== 'element') return '';
  return node.tagName === 'br' ? '\n' : node.children.map(rawText).join('');
};

/** `<code class="language-js">`, as programs that colour listings name it. */
function languageOf(pre: Element): string | null {
  const code = pre.children.find((each) => each.type === 'element' && each.tagName === 'code') as Element | undefined;
  const named = [code?.properties.className ?? []]
    .flat()
    .map(String)
    .find((each) => each.startsWith('language-'));
  const language = pre.properties.dataLanguage ?? named?.slice('language-'.length) ?? null;
  return language === null ? null : String(language).slice(0, LONGEST_NAME) || null;
}

export const codeBlock: SolidKind = {
  name: 'codeBlock',
  isText: false,
  node: {
    content: 'text*',
    marks: '',
    code: true,
    defining: true,
    parseHTML: () => [{ tag: 'pre', preserveWhitespace: 'full' }],
    renderHTML: ({ HTMLAttributes }) => ['pre', HTMLAttributes, ['code', 0]],
  },
  attributes: { language: textOf(LONGEST_NAME, null) },
  markdown: {
    write: ({ attrs, content }, writing) => {
      const language = (attrs?.language as string | null | undefined) ?? null;
      const isPlain = language === null || /^[\w+#.-]+$/u.test(language);
      return [
        ...writing.said(isPlain ? {} : { language }),
        { type: 'code', lang: isPlain ? language : null, value: content?.[0]?.text ?? '' },
      ];
    },
    reads: {
      code: (node: Code, depth: number, reading: MarkdownReading) => {
        const language = node.lang ? reading.asWritten(node.lang).slice(0, LONGEST_NAME) : null;
        // What may stand behind the language: ```js title="lift.js"
        const meta = node.meta ? [paragraphOf(reading.asWritten(node.meta), depth)] : [];
        return [...meta, solidBlock('codeBlock', { depth, language }, listing(reading.asWritten(node.value)))];
      },
    },
    withSaid: (node, { language }) =>
      language === undefined ? node : { ...node, attrs: { ...node.attrs, language: language.slice(0, LONGEST_NAME) } },
  },
  html: {
    // A line end at the start of a listing would be taken for the form of the file.
    write: ({ attrs, content }, data) =>
      element('pre', { ...data, dataLanguage: orNone(attrs?.language) }, [
        element('code', {}, [htmlText(content?.[0]?.text ?? '')]),
      ]),
    reads: {
      pre: (pre, reading, { depth }) => {
        const value = rawText(pre);
        const words = value.endsWith('\n') && !reading.isOwn ? value.slice(0, -1) : value;
        const attrs = { depth, language: languageOf(pre), ...reading.saidOf(pre) };
        reading.push(solidBlock('codeBlock', attrs, listing(words)));
      },
    },
  },
};
