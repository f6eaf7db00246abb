import { Extension, InputRule, markInputRule } from '@tiptap/core';
import { newId, textAttributes } from '@glossarion/core/document';
import { Plugin, TextSelection } from '@tiptap/pm/state';
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
  handler: ({ state, range, match }) => {
    const { $from } = state.selection;
    if ($from.depth !== 1 || $from.parent.type.name !== 'block') return null;
    const { id, depth, tint } = $from.parent.attrs;
    const rest = $from.parent.textContent.slice(range.to - $from.start());
    const code = state.schema.nodes.codeBlock!.create(
      { id, depth, tint, language: match[1] || null },
      rest ? state.schema.text(rest) : null,
    );
    const { tr } = state;
    const from = $from.before();
    tr.replaceWith(from, $from.after(), code).setSelection(TextSelection.create(tr.doc, from + 1));
    return undefined;
  },
});

/** `[words](https://…)` becomes a link to the outside. */
const webLinkRule = new InputRule({
  find: /\[([^\][]+)\]\((https?:\/\/[^\s)]+|mailto:[^\s)]+)\)$/u,
  handler: ({ state, range, match }) => {
    const mark = state.schema.marks.webLink!.create({ href: match[2] });
    state.tr.replaceWith(range.from, range.to, state.schema.text(match[1]!, [mark])).removeStoredMark(mark);
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
      tagRule,
      markInputRule({ find: /(?:^|\s)(\*\*(?!\s)([^*]+)(?<!\s)\*\*)$/u, type: marks.bold! }),
      markInputRule({ find: /(?:^|[^*])(\*(?![\s*])([^*]+)(?<!\s)\*)$/u, type: marks.italic! }),
      markInputRule({ find: /(?:^|\s)(~~(?!\s)([^~]+)(?<!\s)~~)$/u, type: marks.strike! }),
      markInputRule({ find: /(?:^|[^`])(`([^`]+)`)$/u, type: marks.code! }),
      markInputRule({ find: /(?:^|\s)(==(?!\s)([^=]+)(?<!\s)==)$/u, type: marks.highlight! }),
    ];
  },
});
