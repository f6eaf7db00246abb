import { Extension, InputRule, markInputRule } from '@tiptap/core';
import { isSafeAddress, newId, textAttributes } from '@glossarion/core/document';
import { Plugin, TextSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { TAG_PATTERN } from '@glossarion/core/tags';
import { KIND_VIEWS, type TextLook } from './kinds';
import { knownTag, prepareTags } from './knownTags';

/** The kinds of lines that Markdown typed at their start turns into another. */
const TURNED = new Set(['paragraph', 'bulleted', 'quote']);

type Typed = NonNullable<TextLook['typed']>[number];

const kindRule = (kind: string, { find, attrs }: Typed): InputRule =>
  new InputRule({
    find,
    handler: ({ state, range, match }) => {
      const { $from } = state.selection;
      const { parent } = $from;
      if (parent.type.name !== 'block' || !TURNED.has(String(parent.attrs.kind))) return null;
      const changes = textAttributes(kind, attrs?.(match));
      state.tr.delete(range.from, range.to).setNodeMarkup($from.before(), undefined, { ...parent.attrs, ...changes });
      return undefined;
    },
  });

/** Three back ticks and a space begin a block of code, in a language if one is named. */
const codeRule = new InputRule({
  find: /^```([\w+#.-]{0,30})\s$/u,
  handler: ({ state, range, match }) => (beginCode(state, state.tr, range.to, match[1]!) ? undefined : null),
});

/** Makes a block of code of the line with the cursor, of what stands in it from a position on; false where none can be. */
function beginCode(state: EditorState, transaction: Transaction, to: number, language: string): boolean {
  const { $from } = state.selection;
  if ($from.depth !== 1 || $from.parent.type.name !== 'block') return false;
  const { id, depth, tint } = $from.parent.attrs;
  const rest = $from.parent.textContent.slice(to - $from.start());
  const code = state.schema.nodes.codeBlock!.create(
    { id, depth, tint, language: language || null },
    rest ? state.schema.text(rest) : null,
  );
  const from = $from.before();
  transaction.replaceWith(from, $from.after(), code).setSelection(TextSelection.create(transaction.doc, from + 1));
  return true;
}

/** Three back ticks, a language if one is named, and Enter begin a block of code too; null for any other line. */
export function codeByEnter(state: EditorState): Transaction | null {
  const { $from, empty } = state.selection;
  if (!empty || $from.parentOffset !== $from.parent.content.size) return null;
  const match = /^```([\w+#.-]{0,30})$/u.exec($from.parent.textContent);
  const { tr } = state;
  return match && beginCode(state, tr, $from.pos, match[1]!) ? tr : null;
}

/** `[words](https://…)` becomes a link to the outside. */
const webLinkRule = new InputRule({
  find: /\[([^\][]+)\]\((https?:\/\/[^\s)]+|mailto:[^\s)]+)\)$/u,
  handler: ({ state, range, match }) => {
    const mark = state.schema.marks.webLink!.create({ href: match[2] });
    state.tr.replaceWith(range.from, range.to, state.schema.text(match[1]!, [mark])).removeStoredMark(mark);
  },
});

/** An address that is typed, and a space after it, becomes a link to it; what ends a sentence is none of it. */
const typedAddressRule = new InputRule({
  find: /(?:^|[\s(])(https?:\/\/[^\s<>]*[^\s<>.,;:!?)'"])([.,;:!?)'"]*\s)$/u,
  handler: ({ state, range, match }) => {
    const href = match[1]!;
    if (!isSafeAddress(href)) return null;
    const from = range.from + match[0].indexOf(href);
    const mark = state.schema.marks.webLink!.create({ href });
    state.tr
      .addMark(from, from + href.length, mark)
      .insertText(match[2]!.slice(-1), range.to)
      .removeStoredMark(mark);
    return undefined;
  },
});

/** `#word` and a space becomes a tag. */
const tagRule = new InputRule({
  find: new RegExp(`(?:^|[\\s(])${TAG_PATTERN.source}([\\s.,;:!?)])$`, 'u'),
  handler: ({ state, range, match }) => {
    const start = range.from + match[0].indexOf('#');
    if (state.selection.$from.parent.type.name !== 'block') return null;
    // One that is not known here has an id of its own until it is stored, which finds the tag of that name.
    const known = knownTag(match[1]!);
    const tag = state.schema.nodes.tag!.create(known ? { tag: known } : { tag: newId(), name: match[1] });
    state.tr.replaceWith(start, range.to, [tag, state.schema.text(match[2]!)]);
    return undefined;
  },
});

/** What is typed as Markdown becomes what it means, as it is typed. */
export const Shortcuts = Extension.create({
  name: 'shortcuts',
  // Before Enter ends the line.
  priority: 1800,
  addKeyboardShortcuts: () => ({
    Enter: ({ editor }) => {
      const transaction = codeByEnter(editor.state);
      if (transaction) editor.view.dispatch(transaction);
      return transaction !== null;
    },
  }),
  addProseMirrorPlugins: () => [
    new Plugin({
      props: {
        handleTextInput: (_view, _from, _to, text) => {
          if (text.includes('#')) prepareTags();
          return false;
        },
      },
    }),
  ],
  addInputRules() {
    const { marks } = this.editor.schema;
    return [
      ...KIND_VIEWS.flatMap(({ name, text }) => (text?.typed ?? []).map((typed) => kindRule(name, typed))),
      codeRule,
      webLinkRule,
      typedAddressRule,
      tagRule,
      markInputRule({ find: /(?:^|\s)(\*\*(?!\s)([^*]+)(?<!\s)\*\*)$/u, type: marks.bold! }),
      markInputRule({ find: /(?:^|[^*])(\*(?![\s*])([^*]+)(?<!\s)\*)$/u, type: marks.italic! }),
      markInputRule({ find: /(?:^|[\s(])(__(?![\s_])([^_]+)(?<!\s)__)$/u, type: marks.bold! }),
      markInputRule({ find: /(?:^|[\s(])(_(?![\s_])([^_]+)(?<!\s)_)$/u, type: marks.italic! }),
      markInputRule({ find: /(?:^|\s)(~~(?!\s)([^~]+)(?<!\s)~~)$/u, type: marks.strike! }),
      markInputRule({ find: /(?:^|[^`])(`([^`]+)`)$/u, type: marks.code! }),
      markInputRule({ find: /(?:^|\s)(==(?!\s)([^=]+)(?<!\s)==)$/u, type: marks.highlight! }),
    ];
  },
});
