import { Extension } from '@tiptap/core';
import { search } from 'prosemirror-search';

/** Marks what is looked for on the page. */
export const PageSearch = Extension.create({
  name: 'pageSearch',
  addProseMirrorPlugins: () => [search()],
});
