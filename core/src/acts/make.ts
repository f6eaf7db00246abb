import { emptyBody } from '../document/build';
import { besideOf } from '../document/fields/body';
import { MAX_PAGE_KINDS, NOTHING_BESIDE, canonicalBeside, type Beside } from '../document/fields/content';
import { namedId } from '../document/ids';
import type { NodeJson } from '../document/types';
import { dayTitleWithYear } from '../journal/day';
import { ENTRY_KINDS, MAX_NAME, ORNAMENTS, PIGMENTS, shownTitle } from '../outline/entry';
import type { EntryKind, Ornament, Pigment } from '../outline/entry';
import { overviewBody } from '../overview/overview';
import { firstLineId } from './parts/lift';
import { fillTemplate, type TemplateUse } from '../templates/template';
import { NOTHING, type PlannedAct } from './act';
import { contentOf, entryOf } from './ask';
import { NAMING } from '../notices/changed';
import type { ActOutline } from './outline';
import { asFields, heldFields, type HeldField } from './setFields';
import { answers, fields, id, line, list, oneOf, optional, orNull } from './shape';
import { spotFor } from './spot';

/** Makes a notebook, section or page; made already, it changes nothing, so that it can be repeated. */
export interface Make {
  do: 'make';
  id: string;
  kind: EntryKind;
  parentId: string | null;
  afterId?: string | null;
  name: string;
  pigment?: Pigment;
  ornament?: Ornament | null;
  description?: string;
  /** The page begins with a live overview of what stands beneath this. */
  overviewOf?: string;
  /** The page begins as this template says. */
  from?: TemplateUse;
  /** The page is of these kinds, beside those of its template, and holds this of fields. */
  kinds?: string[];
  fields?: HeldField[];
}

export const MAX_DESCRIPTION = 2_000;

interface Beginning {
  title: string;
  content: readonly NodeJson[];
  beside: Beside;
}

/** What a page that is made begins with. */
function beginning(act: Make, outline: ActOutline): Beginning {
  if (act.from) {
    const template = entryOf(outline, act.from.templateId);
    const holder = act.parentId === null ? undefined : outline.entry(act.parentId);
    const place = holder
      ? holder.day
        ? dayTitleWithYear(holder.day)
        : shownTitle(holder.name, holder.firstWords)
      : '';
    const content = contentOf(outline, template.id);
    const made = outline.titlesMadeFrom(template.id);
    const filled = fillTemplate(
      { title: template.name, content, beside: outline.beside(template.id), made },
      { id: act.id, name: act.name, place },
      act.from,
    );
    return { title: filled.title, content: filled.body.content, beside: withSaid(besideOf(filled.body), act) };
  }
  const first = firstLineId(act.id);
  const beside = withSaid(NOTHING_BESIDE, act);
  if (!act.overviewOf) return { title: act.name, content: emptyBody(first).content, beside };
  entryOf(outline, act.overviewOf);
  return { title: act.name, content: overviewBody(namedId(act.id, 'overview'), first, act.overviewOf).content, beside };
}

/** What a page is and holds, with what is said when it is made. */
const withSaid = (beside: Beside, { kinds = [], fields = [] }: Make): Beside =>
  canonicalBeside({ kinds: [...beside.kinds, ...kinds], fields: { ...beside.fields, ...asFields(fields) } });

export const make: PlannedAct<Make> = {
  shape: {
    kind: oneOf(ENTRY_KINDS),
    parentId: orNull(id),
    afterId: optional(orNull(id)),
    name: line(MAX_NAME),
    pigment: optional(oneOf(PIGMENTS)),
    ornament: optional(orNull(oneOf(ORNAMENTS))),
    description: optional(line(MAX_DESCRIPTION)),
    overviewOf: optional(id),
    from: optional(fields({ templateId: id, date: line(100), time: line(40), answers: answers(40) })),
    kinds: optional(list(id, MAX_PAGE_KINDS)),
    fields: optional(heldFields),
  },
  touches: (act) => [act.id],
  changes: NAMING,
  needs: ({ from }) => (from ? [{ madeFrom: from.templateId }] : []),
  plan: (act, outline) => {
    if (outline.entry(act.id)) return NOTHING;
    const { parentId, orderKey } = spotFor(outline, act, act);
    const begun = act.kind === 'page' ? beginning(act, outline) : null;
    const entry = {
      id: act.id,
      kind: act.kind,
      parentId,
      orderKey,
      name: begun?.title ?? act.name,
      pigment: act.pigment ?? (act.kind === 'notebook' ? ('lapis' as const) : null),
      ornament: act.ornament ?? null,
      description: act.description ?? '',
      begunAt: outline.now,
      madeFrom: act.from?.templateId ?? null,
    };
    return {
      changes: [{ change: 'add', entry, content: begun?.content ?? null, ...(begun && { beside: begun.beside }) }],
      undo: [{ do: 'bin', id: act.id }],
    };
  },
};
