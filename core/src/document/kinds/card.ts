import { oneId } from '../attributes';
import { isId } from '../ids';
import { onlyChild } from './attachments';
import { element, htmlText, type SolidKind } from './kind';

/** A page shown by its title, its picture and its first words. */
export const card: SolidKind = {
  name: 'card',
  isText: false,
  attributes: { target: oneId() },
  knownBy: 'Card',
  links: ({ target }) => [target],
  markdown: {
    write: ({ attrs }, writing) => [
      ...writing.said({ card: true }),
      { type: 'paragraph', children: writing.link(String(attrs?.target)) },
    ],
    readSaid: (said, next) => {
      const link = onlyChild(next);
      if (!said.card || link?.type !== 'link') return null;
      const target = /([0-9a-f-]{36})$/u.exec(link.url)?.[1];
      return isId(target) ? { attrs: { target }, takesNext: true } : null;
    },
  },
  html: {
    write: ({ attrs }, data, writing) => {
      const target = String(attrs?.target);
      const link = element('a', { href: writing.linkUrl(target) }, [htmlText(writing.titleOf(target))]);
      return element('aside', { ...data, dataCard: target }, [link]);
    },
    readOwn: ({ properties }) => (isId(properties.dataCard) ? { target: properties.dataCard } : null),
  },
};
