/**
 * The schema of bodies as its third version had it, as far as migrations need it: the attributes of each node and mark
 * with their defaults, in their order. It does not change when the schema does.
 */

export interface FrozenNode {
  type: string;
  attrs?: Record<string, unknown>;
  content?: FrozenNode[];
  marks?: { type: string; attrs?: Record<string, unknown> }[];
  text?: string;
}

const PLACED = { id: null, depth: 0, tint: null };
const CELL = { align: null, colspan: 1, rowspan: 1, colwidth: null };

export const NODE_DEFAULTS: Record<string, Record<string, unknown>> = {
  block: {
    ...PLACED,
    kind: 'paragraph',
    level: null,
    state: null,
    formerIds: null,
    folded: null,
    kept: null,
  },
  divider: PLACED,
  overview: { ...PLACED, subject: 'headings', target: null, levels: 0, order: 'place', chosen: null },
  picture: { ...PLACED, file: null, name: '', alt: '', caption: '', width: null },
  file: { ...PLACED, file: null, name: '', media: 'application/octet-stream', size: 0, caption: '' },
  card: { ...PLACED, target: null },
  codeBlock: { ...PLACED, language: null },
  table: PLACED,
  tableCell: CELL,
  tableHeader: CELL,
  pageLink: { target: null, words: null },
  tag: { name: '' },
};

export const MARK_DEFAULTS: Record<string, Record<string, unknown>> = {
  highlight: { pigment: 'ochre' },
  webLink: { href: null },
};

/** Each attribute that is known, as it is given or else with its default. */
const filled = (defaults: Record<string, unknown> | undefined, given: Record<string, unknown> | undefined) =>
  defaults && {
    attrs: {
      ...defaults,
      ...Object.fromEntries(
        Object.keys(defaults).flatMap((name) => (given && name in given ? [[name, given[name]]] : [])),
      ),
    },
  };

/** A node with every attribute named: the form in which the second and third version stored it. */
export const withAllAttributes = ({ type, attrs, content, marks, text }: FrozenNode): FrozenNode => ({
  type,
  ...filled(NODE_DEFAULTS[type], attrs),
  ...(content && { content: content.map(withAllAttributes) }),
  ...(marks && { marks: marks.map((mark) => ({ type: mark.type, ...filled(MARK_DEFAULTS[mark.type], mark.attrs) })) }),
  ...(text !== undefined && { text }),
});

/** What is other than its default; nothing where all is as it. */
const saying = (defaults: Record<string, unknown> = {}, given: Record<string, unknown> | undefined) => {
  const said = Object.entries(given ?? {}).filter(
    ([name, value]) => value !== undefined && value !== (name in defaults ? defaults[name] : undefined),
  );
  return said.length > 0 ? { attrs: Object.fromEntries(said) } : {};
};

/** A node of which nothing is said that is as its default: the form in which bodies are stored since. */
export const withoutDefaults = ({ type, attrs, content, marks, text }: FrozenNode): FrozenNode => ({
  type,
  ...saying(NODE_DEFAULTS[type], attrs),
  ...(content && { content: content.map(withoutDefaults) }),
  ...(marks && { marks: marks.map((mark) => ({ type: mark.type, ...saying(MARK_DEFAULTS[mark.type], mark.attrs) })) }),
  ...(text !== undefined && { text }),
});
