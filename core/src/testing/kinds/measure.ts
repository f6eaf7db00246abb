import { numberOf, readAttributes, textOf } from '../../document/attributes';
import { element, htmlText, type SolidKind } from '../../document/kinds/kind';

const attributes = { value: numberOf(-1e9, 1e9, 0), unit: textOf(20) };

const wordsOf = ({ value = 0, unit = '' }: Readonly<Record<string, unknown>> = {}): string =>
  `${String(value)} ${String(unit)}`.trim();

/** A kind that is made up for tests: a measured value with its unit. All of it is this file and the app's of its name. */
export const measure: SolidKind = {
  name: 'measure',
  isText: false,
  attributes,
  words: wordsOf,
  markdown: {
    write: ({ attrs = {} }, writing) => [
      ...writing.said({ measure: attrs.value ?? 0, unit: attrs.unit }),
      { type: 'paragraph', children: [{ type: 'text', value: wordsOf(attrs) }] },
    ],
    readSaid: ({ measure: value, unit }, next) =>
      value === undefined
        ? null
        : { attrs: readAttributes(attributes, { value, unit }), takesNext: next?.type === 'paragraph' },
  },
  html: {
    write: ({ attrs = {} }, data) =>
      element('p', { ...data, dataValue: String(attrs.value ?? 0), dataUnit: String(attrs.unit ?? '') }, [
        htmlText(wordsOf(attrs)),
      ]),
    readOwn: ({ properties }) =>
      properties.dataValue === undefined
        ? null
        : readAttributes(attributes, { value: String(properties.dataValue), unit: String(properties.dataUnit ?? '') }),
  },
};
