import type { Root, RootContent } from 'hast';
import { fromHtml } from 'hast-util-from-html';

/** What a page of the web says it is: its lasting address and its title. */
export interface WebPage {
  address: string | null;
  title: string | null;
}

export function webPageOf(html: string): WebPage {
  const page: WebPage = { address: null, title: null };
  const walk = (node: Root | RootContent): void => {
    if (node.type === 'element') {
      const { rel, href } = node.properties;
      const isCanonical = node.tagName === 'link' && Array.isArray(rel) && rel.includes('canonical');
      if (isCanonical && typeof href === 'string') page.address ??= href;
      if (node.tagName === 'title') {
        const words = node.children.map((child) => (child.type === 'text' ? child.value : '')).join('');
        page.title ??= words.replace(/\s+/gu, ' ').trim() || null;
      }
    }
    if ('children' in node) node.children.forEach(walk);
  };
  walk(fromHtml(html));
  return page;
}
