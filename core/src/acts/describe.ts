import { ORNAMENTS, PIGMENTS, type Ornament, type Pigment } from '../outline/entry';
import type { PlannedAct } from './act';
import { refused } from './actError';
import { entryOf, noDay } from './ask';
import { NAMING } from '../notices/changed';
import { MAX_DESCRIPTION } from './make';
import { id, line, oneOf, optional, orNull, yesNo } from './shape';

/** Says how an entry looks and what can be done with it; what is not given stays as it is. */
export interface Describe {
  do: 'describe';
  id: string;
  /** A notebook has one; a section or page, none of its own. */
  pigment?: Pigment | null;
  ornament?: Ornament | null;
  description?: string;
  /** Whether the page shows the pages beneath it as leaves. */
  showsLeaves?: boolean;
  /** Whether pages can be made from this one. */
  isTemplate?: boolean;
  /** The template of pages made in here; null for none. */
  templateId?: string | null;
}

const flag = (value: boolean): 0 | 1 => (value ? 1 : 0);

export const describe: PlannedAct<Describe> = {
  shape: {
    pigment: optional(orNull(oneOf(PIGMENTS))),
    ornament: optional(orNull(oneOf(ORNAMENTS))),
    description: optional(line(MAX_DESCRIPTION)),
    showsLeaves: optional(yesNo),
    isTemplate: optional(yesNo),
    templateId: optional(orNull(id)),
  },
  touches: (act) => [act.id],
  changes: NAMING,
  plan: ({ id: entryId, pigment, ornament, description, showsLeaves, isTemplate, templateId }, outline) => {
    const entry = noDay(outline, entryId);
    if (pigment === null && entry.kind === 'notebook') throw refused('A notebook has a pigment of its own.');
    if (templateId) entryOf(outline, templateId);
    const values = {
      ...(pigment !== undefined && { pigment }),
      ...(ornament !== undefined && { ornament }),
      ...(description !== undefined && { description }),
      ...(showsLeaves !== undefined && { showsLeaves: flag(showsLeaves) }),
      ...(isTemplate !== undefined && { isTemplate: flag(isTemplate) }),
      ...(templateId !== undefined && { templateId }),
    };
    if (Object.keys(values).length === 0) throw refused('Nothing was asked to be changed.');
    const before: Describe = {
      do: 'describe',
      id: entryId,
      ...(pigment !== undefined && { pigment: entry.pigment }),
      ...(ornament !== undefined && { ornament: entry.ornament }),
      ...(description !== undefined && { description: entry.description }),
      ...(showsLeaves !== undefined && { showsLeaves: entry.showsLeaves === 1 }),
      ...(isTemplate !== undefined && { isTemplate: entry.isTemplate === 1 }),
      ...(templateId !== undefined && { templateId: entry.templateId }),
    };
    return { changes: [{ change: 'set', id: entryId, values }], undo: [before] };
  },
};
