import type { Element } from 'hast';
import { element, htmlText } from '../../document/kinds';
import { addressFrom } from '../account/paths';
import type { SiteGloss } from './types';

/** Of one paragraph so many are shown at once; the others are opened. */
const SHOWN = 40;
const WORDS = 320;

/** Puts what leads to a page beside the lines that it speaks to. */
export function glossesBeside(tree: Element, path: string, glosses: readonly SiteGloss[]): void {
  if (glosses.length === 0) return;
  const byLine = new Map<string | null, SiteGloss[]>();
  for (const gloss of glosses) byLine.set(gloss.lineId, [...(byLine.get(gloss.lineId) ?? []), gloss]);
  place(tree, path, byLine);
  // Lines that are not here any more, and the head of the page.
  const rest = [...byLine.values()].flat();
  if (rest.length > 0) tree.children.unshift(stack(path, rest));
}

function place(parent: Element, path: string, byLine: Map<string | null, SiteGloss[]>): void {
  for (const child of [...parent.children]) {
    if (child.type !== 'element') continue;
    const { dataId } = child.properties;
    const own = typeof dataId === 'string' ? byLine.get(dataId) : undefined;
    if (own) {
      byLine.delete(dataId as string);
      const shown = stack(path, own);
      // A list holds items alone: what speaks to one stands in it, before what stands beneath it.
      if (child.tagName === 'li') child.children.splice(endOfWords(child), 0, shown);
      else {
        // Beside the line where there is room, beneath it where there is none.
        const beside = element('div', { className: ['spoken'] }, [shown, child]);
        parent.children.splice(parent.children.indexOf(child), 1, beside);
      }
    }
    if (child.tagName !== 'table') place(child, path, byLine);
  }
}

/** Where the words of an item end, and what stands beneath it begins. */
function endOfWords({ children }: Element): number {
  const index = children.findIndex(
    (each) => each.type === 'element' && /^(?:ol|ul|p|div|figure|table)$/u.test(each.tagName),
  );
  return index < 0 ? children.length : index;
}

const shortened = (words: string): string => (words.length > WORDS ? `${words.slice(0, WORDS).trimEnd()}…` : words);

const lines = (count: number): string => (count === 1 ? '1 line leads here' : `${count} lines lead here`);

function stack(path: string, glosses: readonly SiteGloss[]): Element {
  const items = glosses
    .slice(0, SHOWN)
    .map(({ title, path: there, anchor, trail, pigment, words }) =>
      element('li', { dataPigment: pigment ?? undefined }, [
        element('a', { href: `${addressFrom(path, there)}${anchor === null ? '' : `#${anchor}`}` }, [htmlText(title)]),
        ...(trail === '' ? [] : [element('span', { className: ['where'] }, [htmlText(trail)])]),
        element('span', { className: ['words'] }, [htmlText(shortened(words))]),
      ]),
    );
  const more = glosses.length > SHOWN ? [element('p', {}, [htmlText(`and ${glosses.length - SHOWN} more`)])] : [];
  return element('details', { className: ['glosses'], dataGlosses: String(glosses.length) }, [
    element('summary', {}, [htmlText(lines(glosses.length))]),
    element('ul', {}, items),
    ...more,
  ]);
}
