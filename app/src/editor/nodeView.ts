import { ReactNodeViewRenderer, type NodeViewProps, type ReactNodeViewProps } from '@tiptap/react';
import type { Node } from '@tiptap/core';
import { DOMSerializer } from '@tiptap/pm/model';
import { elementIdOf } from '../screen/blockPlace';
import type { ComponentType } from 'react';

/** What the element of a block says that is a part of the interface within the text. */
export const blockProps = ({ node, selected }: NodeViewProps) => ({
  id: node.attrs.id ? elementIdOf(String(node.attrs.id)) : undefined,
  'data-depth': String(node.attrs.depth ?? 0),
  'data-tint': (node.attrs.tint as string | null) ?? undefined,
  'data-selected': selected || undefined,
  style: { '--depth': String(node.attrs.depth ?? 0) } as React.CSSProperties,
  contentEditable: false,
});

const drawnByReact = new Set<string>();

/** Whether React draws such a node; it can do so only once the editor stands in its place. */
export const isDrawnByReact = (name: string): boolean => drawnByReact.has(name);

/** A node with a view whose insides are the interface's, not the text's; `isOwn` says which events are its own. */
export const withReactView = (
  node: Node,
  View: ComponentType<ReactNodeViewProps>,
  isOwn: (event: Event) => boolean = (event) => event.type !== 'mousedown',
): Node => {
  drawnByReact.add(node.name);
  return node.extend({
    addNodeView: () =>
      ReactNodeViewRenderer(View, {
        stopEvent: ({ event }) => {
          takeFocus(event);
          return !/^drag|^drop/u.test(event.type) && isOwn(event);
        },
        ignoreMutation: () => true,
      }),
  });
};

/**
 * A field within a block that is selected takes the focus: by touch a browser gives it none, since the press might begin
 * a drag of what is selected.
 */
function takeFocus({ type, target }: Event): void {
  if (type === 'mousedown' && target instanceof HTMLInputElement) target.focus();
}

/** A node that looks as core writes it in HTML, and whose place on the page can be found by its id. */
export const withPlace = (node: Node): Node =>
  node.extend({
    addNodeView: () => (props) => {
      let { node: shown } = props;
      const { dom, contentDOM } = DOMSerializer.renderSpec(document, shown.type.spec.toDOM!(shown));
      if (shown.attrs.id) (dom as HTMLElement).id = elementIdOf(String(shown.attrs.id));
      return {
        dom: dom as HTMLElement,
        contentDOM,
        update: (next) => {
          if (!next.hasMarkup(shown.type, shown.attrs)) return false;
          shown = next;
          return true;
        },
        // What an element says beside its text is none of the text.
        ignoreMutation: ({ type, target }) => type === 'attributes' && target === dom,
      };
    },
  });

/** Events within fields and buttons. */
export const inControls = (event: Event): boolean =>
  event.target instanceof Element && event.target.closest('input, button, audio, a, iframe') !== null;
