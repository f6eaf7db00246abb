import type { Root } from 'mdast';
import { fromMarkdown, type Extension, type Options } from 'mdast-util-from-markdown';
import { frontmatterFromMarkdown } from 'mdast-util-frontmatter';
import { gfmFromMarkdown } from 'mdast-util-gfm';
import { frontmatter } from 'micromark-extension-frontmatter';
import { gfm } from 'micromark-extension-gfm';
import { gfmAutolinkLiteral } from 'micromark-extension-gfm-autolink-literal';
import { gfmFootnote } from 'micromark-extension-gfm-footnote';
import { gfmStrikethrough } from 'micromark-extension-gfm-strikethrough';
import { gfmTable } from 'micromark-extension-gfm-table';
import { gfmTaskListItem } from 'micromark-extension-gfm-task-list-item';

/** What the head of a file may be written in: between three hyphens, between three plus signs. */
export const HEADS: ('yaml' | 'toml')[] = ['yaml', 'toml'];

const STRIKING = { singleTilde: false };

/** GitHub's extensions without what they do after parsing: that would link an address whose form was escaped. */
const trees: Extension[] = [
  ...gfmFromMarkdown().map((extension) => ({ ...extension, transforms: [] })),
  frontmatterFromMarkdown(HEADS),
];

/** Made once: putting the extensions together takes as long as parsing a short text. */
const whole = { piece: [gfm(STRIKING)], file: [gfm(STRIKING), frontmatter(HEADS)] };

/** Parses Markdown with tables, to-do items and front matter into its syntax tree. */
export const parseMarkdown = (text: string, isFile = true): Root =>
  fromMarkdown(text, { extensions: isFile ? whole.file : whole.piece, mdastExtensions: trees });

/**
 * Each of GitHub's extensions, and what a text contains that it can matter to. Some look at every letter (an address may
 * begin with any), which takes two fifths of the time of a text in which there is none.
 */
const EXTENSIONS: readonly { matters: RegExp; extension: NonNullable<Options['extensions']>[number] }[] = [
  { matters: /@|www|http/iu, extension: gfmAutolinkLiteral() },
  { matters: /\[\^/u, extension: gfmFootnote() },
  { matters: /~~/u, extension: gfmStrikethrough(STRIKING) },
  { matters: /\||:-|-:/u, extension: gfmTable() },
  { matters: /\[[\sxX]\]/u, extension: gfmTaskListItem() },
];

/** The options for a text, by which extensions matter to it. */
const options = new Map<number, Options>();

/** What `parseMarkdown` gives, sooner: only those extensions look at a text that can find something in it. */
export function parseWhatStands(text: string, isFile = true): Root {
  const matter = EXTENSIONS.map(({ matters }) => matters.test(text));
  const key = [isFile, ...matter].reduce((bits, bit) => bits * 2 + Number(bit), 0);
  let made = options.get(key);
  if (!made) {
    const extensions = EXTENSIONS.filter((_each, index) => matter[index]).map(({ extension }) => extension);
    made = { extensions: isFile ? [...extensions, frontmatter(HEADS)] : extensions, mdastExtensions: trees };
    options.set(key, made);
  }
  return fromMarkdown(text, made);
}
