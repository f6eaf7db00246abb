import { checkBody, ShapeError, type BodyJson, type NodeJson } from '../../document';
import { PAGE_FORMAT, PAGE_VERSION, type PageFile } from '../account/pageFile';
import { readFrontValues } from '../markdown/frontMatter';
import type { LinkReference } from '../markdown/types';
import { ENDINGS } from './endings';
import { pageRead, Refusal, type Reader } from './reader';

/** A page as this product writes it as JSON (docs/account.schema.json). */
export const page: Reader = {
  endings: ENDINGS.page,
  read({ path, text }) {
    const { front: said, content, named } = parsed(text);
    const { front, problems } = readFrontValues(said);
    if (content === undefined) return [pageRead(path, front, [], problems)];
    return [pageRead(path, front, withNames(checked(content), named ?? {}), problems)];
  },
};

function parsed(text: string): PageFile {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    throw new Refusal('It is no JSON, and was left out.');
  }
  const { format, version, front, content } = (read ?? {}) as Partial<PageFile>;
  if (format !== PAGE_FORMAT || typeof front !== 'object' || front === null || Array.isArray(front)) {
    throw new Refusal('It is JSON that says no page, and was left out.');
  }
  if (typeof version !== 'number' || version > PAGE_VERSION) {
    throw new Refusal('It was written by a later version of Glossarion, and was left out.');
  }
  if (content !== undefined && !Array.isArray(content)) throw new Refusal('Its content is no list, and was left out.');
  return read as PageFile;
}

function checked(content: NodeJson[]): NodeJson[] {
  if (content.length === 0) return [];
  try {
    return checkBody({ type: 'doc', content } as BodyJson).content;
  } catch (error) {
    if (!(error instanceof ShapeError)) throw error;
    throw new Refusal(`${error.message} It was left out.`);
  }
}

/** What leads out of the export shows what that was called there, unless it is here too. */
function withNames(content: readonly NodeJson[], named: Readonly<Record<string, string>>): NodeJson[] {
  return content.map((node) => {
    if (node.content) return { ...node, content: withNames(node.content, named) };
    const { target, words = null } = (node.attrs ?? {}) as { target?: string; words?: string | null };
    const name = node.type === 'pageLink' && words === null ? named[target!] : undefined;
    if (typeof name !== 'string' || name === '') return node;
    const reference: LinkReference = { form: 'block', name: target! };
    return { ...node, attrs: { reference, words: name } };
  });
}
