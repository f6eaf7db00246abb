import type { ElementContent } from 'hast';
import { createElement, type ReactNode } from 'react';
import { solidKindOf } from '@glossarion/core/document';
import { fileAddress } from '../state/upload';
import { linkWords } from '../screen/words';
import { targetOf } from '../state/store';
import type { StillProps } from './kinds';
import { placeProps } from './still';

function shown(node: ElementContent, key: number): ReactNode {
  if (node.type === 'text') return node.value;
  if (node.type !== 'element') return null;
  const properties = Object.entries(node.properties).map(([name, value]) => [
    /^data[A-Z]/u.test(name) ? name.replace(/^data/u, 'data-').toLowerCase() : name,
    value,
  ]);
  return createElement(node.tagName, { key, ...Object.fromEntries(properties) }, ...node.children.map(shown));
}

/** A block as core writes it in HTML: for kinds without a form of their own here; nothing when core writes none. */
export function StillHtml({ node }: StillProps) {
  const write = solidKindOf(node)?.html.write;
  if (!write) return null;
  const element = write(
    node,
    {},
    {
      lines: () => [],
      titleOf: (target) => linkWords(targetOf(target)),
      linkUrl: (target) => `/to/${target}`,
      fileUrl: fileAddress,
    },
  );
  return (
    <div className="block" {...placeProps(node)}>
      {shown(element, 0)}
    </div>
  );
}
