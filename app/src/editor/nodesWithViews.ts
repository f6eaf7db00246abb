import type { Node } from '@tiptap/core';
import { documentNodes } from '@glossarion/core/document';
import { BlockWithView } from './blockView';
import { KIND_VIEWS } from './kinds';
import { PageLinkWithView, TagWithView } from './linkViews';
import { withPlace } from './nodeView';

/** The nodes of core's schema with how each is shown where it is written. */
export const nodesWithViews = (pageId: string): Node[] =>
  Object.values({
    ...documentNodes,
    block: BlockWithView,
    pageLink: PageLinkWithView,
    tag: TagWithView,
    ...Object.fromEntries(
      KIND_VIEWS.flatMap(({ name, withView = withPlace }) => {
        const node = documentNodes[name];
        return node ? [[name, withView(node, pageId)]] : [];
      }),
    ),
  });
