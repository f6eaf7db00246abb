import type { Editor } from '@tiptap/core';
import { store } from '../state/store';
import { targetsKnown } from '../state/targets';
import { targetOfTag, type ListedTag } from './knownTags';
import type { TypedQuery } from './typedQuery';

/** Puts a tag in the place of what was typed of it, and a space after it. */
export function insertTag(editor: Editor, { from, to }: Pick<TypedQuery, 'from' | 'to'>, tag: ListedTag): void {
  store.dispatch(targetsKnown([targetOfTag(tag)]));
  const { schema, tr, doc } = editor.state;
  const follows = doc.textBetween(to, Math.min(to + 1, doc.content.size), '\n', '\uFFFC');
  const node = schema.nodes.tag!.create({ tag: tag.id });
  editor.view.dispatch(
    tr.replaceWith(from, to, /^\s/u.test(follows) ? [node] : [node, schema.text(' ')]).scrollIntoView(),
  );
  editor.view.focus();
}
