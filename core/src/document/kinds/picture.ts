import type { Element } from 'hast';
import type { PhrasingContent } from 'mdast';
import { numberOf, oneId, textOf } from '../attributes';
import { isId } from '../ids';
import { captionIn, captionOf, MAX_CAPTION, MAX_NAME, onlyChild } from './attachments';
import { element, orNone, type SolidKind } from './kind';
import { solidBlock } from './made';

/** A picture: an attachment shown in place. */
export const picture: SolidKind = {
  name: 'picture',
  isText: false,
  attributes: {
    file: oneId({ holdsIds: false }),
    name: textOf(MAX_NAME),
    /** What it shows, for those who do not see it. */
    alt: textOf(MAX_CAPTION),
    caption: textOf(MAX_CAPTION),
    /** Percent of the text's width; null for its own size. */
    width: numberOf(5, 100),
  },
  knownBy: 'Picture',
  words: ({ caption, alt }) => [caption, alt].filter(Boolean).join('\n'),
  files: ({ file }) => [file],
  markdown: {
    write: ({ attrs }, writing) => {
      const { file, name = '', alt = '', caption, width } = attrs ?? {};
      const url = writing.fileUrl(String(file), String(name));
      const image: PhrasingContent = { type: 'image', url, alt: String(alt), title: String(caption ?? '') || null };
      return [...writing.said({ picture: file, name, width }), { type: 'paragraph', children: [image] }];
    },
    readSaid: ({ picture: file, name = '', width }, next, reading) => {
      const image = onlyChild(next);
      if (!isId(file) || image?.type !== 'image') return null;
      const [alt, caption] = [reading.running(image.alt ?? ''), reading.running(image.title ?? '')];
      return { attrs: { file, name, alt, caption, width: width ? Number(width) : null }, takesNext: true };
    },
  },
  html: {
    write: ({ attrs }, data, writing) => {
      const { file, name = '', alt = '', width } = attrs ?? {};
      const src = writing.fileUrl(String(file), String(name));
      const properties = { ...data, dataPicture: String(file), dataName: String(name), dataWidth: orNone(width) };
      return element('figure', properties, [element('img', { src, alt: String(alt) }), ...captionOf(attrs)]);
    },
    reads: {
      img: (image, reading, place, marks) => {
        const src = String(image.properties.src ?? '');
        const alt = String(image.properties.alt ?? '');
        const shown = reading.pictureOf(src, alt);
        // A file that may come along stands in its line until that is known.
        if (shown && shown.type !== 'picture') return reading.add([shown], place);
        if (shown) return reading.push(solidBlock('picture', { ...shown.attrs, depth: place.depth }));
        if (!/^https?:/iu.test(src)) return reading.add(reading.words(alt, marks), place);
        const link = { type: 'webLink', attrs: { href: src } };
        return reading.add(reading.words(alt || src, [...marks, link]), place);
      },
    },
    readOwn: (figure) => {
      const { dataPicture: file, dataName, dataWidth } = figure.properties;
      if (!isId(file)) return null;
      const image = figure.children.find((each) => each.type === 'element' && each.tagName === 'img') as
        Element | undefined;
      return {
        file,
        name: String(dataName ?? ''),
        alt: String(image?.properties.alt ?? ''),
        caption: captionIn(figure),
        width: dataWidth === undefined ? null : Number(dataWidth),
      };
    },
  },
};
