import { numberOf, oneId, textOf } from '../attributes';
import { isId } from '../ids';
import { captionIn, captionOf, MAX_CAPTION, MAX_NAME, onlyChild } from './attachments';
import { element, htmlText, type SolidKind } from './kind';

const UNKNOWN = 'application/octet-stream';

/** Any other attachment: a PDF or a sound is shown in place, the rest by name. */
export const file: SolidKind = {
  name: 'file',
  isText: false,
  attributes: {
    file: oneId({ holdsIds: false }),
    name: textOf(MAX_NAME),
    media: textOf(120, UNKNOWN),
    /** Bytes. */
    size: numberOf(0, Number.MAX_SAFE_INTEGER, 0),
    caption: textOf(MAX_CAPTION),
  },
  words: ({ name, caption }) => [name, caption].filter(Boolean).join('\n'),
  files: (attrs) => [attrs.file],
  markdown: {
    write: ({ attrs }, writing) => {
      const { file: id, name = '', media = UNKNOWN, size = 0, caption } = attrs ?? {};
      const url = writing.fileUrl(String(id), String(name));
      const shown = String(name) || 'File';
      return [
        ...writing.said({ file: id, name, media, size, caption: caption || null }),
        { type: 'paragraph', children: [{ type: 'link', url, children: [{ type: 'text', value: shown }] }] },
      ];
    },
    readSaid: ({ file: id, name = '', media = UNKNOWN, size, caption = '' }, next) =>
      isId(id) && onlyChild(next)?.type === 'link'
        ? { attrs: { file: id, name, media, size: Number(size ?? 0), caption }, takesNext: true }
        : null,
  },
  html: {
    write: ({ attrs }, data, writing) => {
      const { file: id, name = '', media = UNKNOWN, size = 0 } = attrs ?? {};
      const href = writing.fileUrl(String(id), String(name));
      const properties = {
        dataFile: String(id),
        dataName: String(name),
        dataMedia: String(media),
        dataSize: String(size),
      };
      return element('figure', { ...data, ...properties }, [
        element('a', { href }, [htmlText(String(name) || 'File')]),
        ...captionOf(attrs),
      ]);
    },
    readOwn: (figure) => {
      const { dataFile, dataName, dataMedia, dataSize } = figure.properties;
      if (!isId(dataFile)) return null;
      return {
        file: dataFile,
        name: String(dataName ?? ''),
        media: String(dataMedia ?? UNKNOWN),
        size: Number(dataSize ?? 0),
        caption: captionIn(figure),
      };
    },
  },
};
