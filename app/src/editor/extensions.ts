import type { Extensions } from '@tiptap/core';
import Collaboration from '@tiptap/extension-collaboration';
import { Dropcursor, Gapcursor, Placeholder } from '@tiptap/extensions';
import { documentMarks, documentNodes } from '@glossarion/core/document';
import type { PageDocument } from '../documents/pageDocument';
import { PastedAddresses } from './addresses';
import { BlockKeys } from './blockKeys';
import { BlockWithView } from './blockView';
import { Identity } from './identity';
import { KeyedSync } from './keyedSync';
import { LinkBehaviour, PageLinkWithView, TagWithView } from './linkViews';
import { Lists } from './lists';
import { OverviewWithView } from './overviewView';
import { Shortcuts } from './shortcuts';
import { InsertQueryWatch, LinkQueryWatch, type TypedQueryOptions } from './typedQuery';

export interface EditorNeeds {
  page: PageDocument;
  placeholder: string;
  onOpen: (target: string, isBeside: boolean) => void;
  link: TypedQueryOptions;
  insert: TypedQueryOptions;
}

/** Everything a page's editor is made of: the schema of core with views, and what each key and gesture does. */
export function pageExtensions({ page, placeholder, onOpen, link, insert }: EditorNeeds): Extensions {
  const nodes = {
    ...documentNodes,
    block: BlockWithView,
    pageLink: PageLinkWithView,
    tag: TagWithView,
    overview: OverviewWithView.configure({ pageId: page.pageId }),
  };
  return [
    ...Object.values(nodes),
    ...Object.values(documentMarks),
    Collaboration.configure({ fragment: page.document.getXmlFragment('body') }),
    KeyedSync,
    Identity,
    Lists,
    BlockKeys,
    Shortcuts,
    PastedAddresses,
    LinkBehaviour.configure({ onOpen }),
    LinkQueryWatch.configure(link),
    InsertQueryWatch.configure(insert),
    Placeholder.configure({ placeholder, showOnlyWhenEditable: true }),
    Dropcursor.configure({ color: 'var(--vermilion)', width: 2 }),
    Gapcursor,
  ];
}
