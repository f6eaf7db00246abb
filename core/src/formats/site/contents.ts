import type { Element } from 'hast';
import { element, htmlText } from '../../document/kinds';
import { linkTo, writeFrame } from './frame';
import type { ContentsLine, Frame } from './types';

/** Contents as a list within a list, as a book has them. */
export function contentsList(from: string, lines: readonly ContentsLine[]): Element {
  const items = lines.map((line) => {
    const end = line.at ? [element('span', { className: ['at'] }, [htmlText(line.at)])] : [];
    const head = element('span', { className: ['line'] }, [linkTo(from, line), ...end]);
    const inner = line.beneath && line.beneath.length > 0 ? [contentsList(from, line.beneath)] : [];
    const properties = { className: [line.isPage ? 'page' : 'part'], dataPigment: line.pigment ?? undefined };
    return element('li', properties, [head, ...inner]);
  });
  return element('ol', { className: ['contents'] }, items);
}

/** The file of what is no page: the front of the site, a notebook, a section, the journal. */
export function writeContents(frame: Frame, description: string, lines: readonly ContentsLine[], note = ''): string {
  const paragraph = (text: string, look: string) =>
    text ? [element('p', { className: [look] }, [htmlText(text)])] : [];
  return writeFrame({ ...frame, isIndex: true }, [
    ...paragraph(description, 'says'),
    ...(lines.length > 0 ? [contentsList(frame.path, lines)] : paragraph('Nothing stands here yet.', 'says')),
    ...paragraph(note, 'note'),
  ]);
}
