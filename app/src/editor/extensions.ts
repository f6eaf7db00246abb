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
import { LinkQueryWatch, type LinkQueryOptions } from './linkQuery';
import { LinkBehaviour, PageLinkWithView, TagWithView } from './linkViews';
import { Lists } from './lists';
import { Shortcuts } from './shortcuts';

export interface EditorNeeds {
  page: PageDocument;
  placeholder: string;
  onOpen: (target: string, isBeside: boolean) => void;
  link: LinkQueryOptions;
}

/** Everything a page's editor is made of: the schema of core with views, and what each key and gesture does. */
export function pageExtensions({ page, placeholder, onOpen, link }: EditorNeeds): Extensions {
  const nodes = { ...documentNodes, block: BlockWithView, pageLink: PageLinkWithView, tag: TagWithView };
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
    Placeholder.configure({ placeholder, showOnlyWhenEditable: true }),
    Dropcursor.configure({ color: 'var(--vermilion)', width: 2 }),
    Gapcursor,
  ];
}
