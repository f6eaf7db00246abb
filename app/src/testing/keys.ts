import type { AnyExtension } from '@tiptap/core';
import { EditorState, TextSelection, type Plugin, type Transaction } from '@tiptap/pm/state';
import { schema, type NodeJson } from '@glossarion/core/document';

/** A text without a browser: what keys of an extension do to it, by states and transactions. */
export class KeyedText {
  state: EditorState;
  readonly dom = Object.assign(new EventTarget(), { focus: () => undefined });

  constructor(
    content: readonly NodeJson[],
    private extension: AnyExtension,
    plugins: Plugin[] = [],
  ) {
    const doc = schema.nodeFromJSON({ type: 'doc', content: [...content] });
    this.state = EditorState.create({ doc, plugins });
  }

  dispatch = (transaction: Transaction): void => {
    this.state = this.state.apply(transaction);
  };

  /** Puts the cursor into a line: so many letters after its beginning, or before its end when that is below zero. */
  into(line: number, offset = -1): this {
    let position = 0;
    for (let index = 0; index < line; index += 1) position += this.state.doc.child(index).nodeSize;
    const { size } = this.state.doc.child(line).content;
    const at = position + 1 + (offset < 0 ? size + 1 + offset : offset);
    this.dispatch(this.state.tr.setSelection(TextSelection.create(this.state.doc, at)));
    return this;
  }

  /** Presses a key, by its name in ProseMirror's keymaps; whether it was taken. */
  press(key: string): boolean {
    const view = {
      dispatch: this.dispatch,
      dom: this.dom,
      domAtPos: () => ({ node: { parentElement: null }, offset: 0 }),
      endOfTextblock: () => true,
      focus: () => undefined,
    };
    const text = { get: () => this.state };
    Object.defineProperty(view, 'state', text);
    const editor = Object.defineProperty({ view, schema, commands: {}, storage: {} }, 'state', text);
    const { config, options } = this.extension as unknown as {
      config: { addKeyboardShortcuts: () => Record<string, (props: object) => boolean>; addStorage?: () => object };
      options: object;
    };
    const storage = config.addStorage?.call({ options });
    const keys = config.addKeyboardShortcuts.call({ editor, options, storage });
    return keys[key]!({ editor });
  }

  /** The lines: depth, kind and words of each, the cursor as a bar. */
  get lines(): string[] {
    const { selection } = this.state;
    const shown: string[] = [];
    this.state.doc.forEach((node, position) => {
      const at = selection.head - position - 1;
      const words = node.textContent;
      const hasCursor = selection instanceof TextSelection && at >= 0 && at <= node.content.size;
      const marked = hasCursor ? `${words.slice(0, at)}|${words.slice(at)}` : words;
      const kind = node.type.name === 'block' ? String(node.attrs.kind) : node.type.name;
      shown.push(`${'  '.repeat(Number(node.attrs.depth))}${kind}: ${marked}`);
    });
    return shown;
  }

  /** The ids of the lines. */
  get ids(): string[] {
    return this.state.doc.content.content.map((node) => String(node.attrs.id));
  }
}
