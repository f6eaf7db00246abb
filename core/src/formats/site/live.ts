import type { Element } from 'hast';
import { element, htmlText } from '../../document/kinds';
import { levelOf } from '../../document/kinds/heading';
import { shownWords } from '../../document/text';
import { addressIn } from '../account/fileToWrite';
import { contentsList } from './contents';
import type { SitePage } from './types';

type Shown = Pick<SitePage, 'path' | 'body' | 'named' | 'beneath'>;

/** What lists stand for that are made anew each time they are looked at in the product. */
const SENTENCES: Record<string, string> = {
  dataOverview: 'An overview stands here, which is made anew each time it is looked at.',
  dataLog: 'A log stands here, which is made anew each time it is looked at.',
  dataFound: 'What a search finds stands here, and is looked for each time it is looked at.',
};

/** Gives a live list its present contents where a page has them, else a sentence that says what it is. */
export function live(found: Element, page: Shown): void {
  const sort = Object.keys(SENTENCES).find((name) => found.properties[name] !== undefined);
  if (!sort) return;
  // Several parts of a page that lead on need names to be told apart; this one's stands in it.
  found.tagName = 'section';
  found.properties.className = ['live'];
  found.children = [contents(found, page) ?? element('p', { className: ['note'] }, [htmlText(sentence(found, sort))])];
}

const sentence = ({ properties }: Element, sort: string): string =>
  sort === 'dataFound' && properties.dataSearch
    ? `What is found by ${String(properties.dataSearch)} stands here, and is looked for each time it is looked at.`
    : SENTENCES[sort]!;

function contents({ properties }: Element, page: Shown): Element | null {
  const { path, body, named, beneath } = page;
  const titleOf = (id: string): string => named[id]?.title ?? '';
  const { dataOverview: subject, dataOf, dataChosen } = properties;
  const places = (ids: readonly string[]): Element | null => {
    const lines = ids.flatMap((id): Element[] => {
      const address = named[id]?.path === undefined || named[id].path === null ? null : addressIn(page, id);
      const words = htmlText(titleOf(id));
      return titleOf(id) === ''
        ? []
        : [element('li', {}, [address ? element('a', { href: address }, [words]) : words])];
    });
    return lines.length > 0 ? element('ol', { className: ['headings'] }, lines) : null;
  };
  if (subject === 'chosen') return places(String(dataChosen ?? '').split(' '));
  if (subject === 'beneath' && typeof dataOf === 'string') return places([dataOf]);
  if (subject === 'beneath') return beneath.length > 0 ? contentsList(path, beneath) : null;
  const headings = subject === 'headings' ? body.content.filter(({ attrs }) => attrs?.kind === 'heading') : [];
  if (headings.length === 0) return null;
  const items = headings.map((node) => {
    const link = element('a', { href: `#${String(node.attrs?.id)}` }, [htmlText(shownWords(node, titleOf))]);
    return element('li', { dataLevel: String(levelOf(node)) }, [link]);
  });
  return element('ol', { className: ['headings'] }, items);
}
