import type { Element, ElementContent, Root } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { element, htmlText } from '../../document/kinds';
import { addressFrom } from '../account/paths';
import type { Frame, SitePlace } from './types';

/** Where the files are that pages are shown with. */
export const SITE_SHEET = 'site/site.css';
export const SITE_SCRIPT = 'site/site.js';
/** Says how many files there are of what is found. */
export const SITE_WORDS = 'site/words.js';
const OF_SITE = /^(?<before>(?:.*\/)?)site\/(?:site\.(?:css|js)|words(?:-\d+)?\.js|[^/]+\.woff2)$/u;

/**
 * Of the files of an archive, which make a site look and find as it does and say nothing of the notes; in whatever folder
 * the site stands.
 */
export const isOfSiteItself =
  (paths: { has: (path: string) => boolean }) =>
  (path: string): boolean => {
    const before = OF_SITE.exec(path)?.groups?.before;
    // Somebody else’s site may have a sheet that is called so.
    return before !== undefined && [SITE_SHEET, SITE_WORDS].every((each) => paths.has(`${before}${each}`));
  };
export const SITE_INDEX = 'index.html';

/** A link from one file to another. */
export const linkTo = (from: string, { title, path }: SitePlace, properties: Record<string, string> = {}): Element =>
  element('a', { href: addressFrom(from, path), ...properties }, [htmlText(title)]);

/** A file of the site around what it shows. */
export function writeFrame(
  { path, title, front, isIndex = false, siteTitle, trail, pigment, language }: Frame,
  shown: ElementContent[],
): string {
  const to = (file: string): string => addressFrom(path, file);
  const isFront = path === SITE_INDEX;
  const head = element('head', {}, [
    element('meta', { charSet: 'utf-8' }),
    element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
    ...(front ? [element('meta', { name: 'front', content: JSON.stringify(front) })] : []),
    element('title', {}, [htmlText(isFront ? siteTitle : `${title} · ${siteTitle}`)]),
    element('link', { rel: ['stylesheet'], href: to(SITE_SHEET) }),
    element('script', { src: to(SITE_SCRIPT), defer: true }),
  ]);
  const find = element('form', { role: 'search', className: ['find'] }, [
    element('label', { htmlFor: ['find'] }, [htmlText('Find')]),
    element('input', { id: 'find', type: 'search', autoComplete: ['off'], spellCheck: 'false' }),
  ]);
  const steps = trail.flatMap((each, index): ElementContent[] => [
    ...(index > 0 ? [htmlText(' / ')] : []),
    linkTo(path, each),
  ]);
  const body = element('body', { dataPigment: pigment ?? undefined, dataIndex: isIndex ? '' : undefined }, [
    element('a', { className: ['skip'], href: '#text' }, [htmlText('To the text')]),
    element('header', { className: ['top'] }, [
      linkTo(path, { title: siteTitle, path: SITE_INDEX }, { class: 'home' }),
      find,
    ]),
    element('section', { id: 'found', className: ['found'], hidden: true, ariaLabel: 'What was found' }),
    element('main', { id: 'text', className: ['text'] }, [
      ...(steps.length > 0 ? [element('nav', { className: ['trail'], ariaLabel: 'Where this stands' }, steps)] : []),
      element('h1', {}, [htmlText(title)]),
      ...shown,
    ]),
  ]);
  const root: Root = {
    type: 'root',
    children: [{ type: 'doctype' }, element('html', { lang: language }, [head, body])],
  };
  return toHtml(root);
}
