import { MAX_KIND_NAME } from '../kinds/field';
import { newKind, type Kind } from '../kinds/kind';
import { PIGMENTS, type Pigment } from '../outline/entry';
import { ANYTHING } from '../notices/changed';
import type { PlannedAct } from './act';
import { refused } from './actError';
import { entryOf, pageOf } from './ask';
import { id, line, oneOf, optional, orNull, yesNo } from './shape';

/** Says what a kind is; what is not given stays as it is. One that is not known yet is made, and needs a name. */
export interface DescribeKind {
  do: 'describeKind';
  id: string;
  name?: string;
  broaderId?: string | null;
  pigment?: Pigment | null;
  templateId?: string | null;
  placeId?: string | null;
  homeId?: string | null;
  isDeleted?: boolean;
}

export const describeKind: PlannedAct<DescribeKind> = {
  touchesMany: true,
  shape: {
    name: optional(line(MAX_KIND_NAME)),
    broaderId: optional(orNull(id)),
    pigment: optional(orNull(oneOf(PIGMENTS))),
    templateId: optional(orNull(id)),
    placeId: optional(orNull(id)),
    homeId: optional(orNull(id)),
    isDeleted: optional(yesNo),
  },
  touches: () => [],
  changes: [...ANYTHING, 'kinds'],
  isPersonal: true,
  needs: () => [{ kinds: true }],
  plan: ({ do: _do, id: kindId, ...said }, outline) => {
    const tree = outline.kinds();
    const before = tree.get(kindId);
    const kind: Kind = { ...(before ?? newKind(kindId)), ...said };
    const name = kind.name.trim();
    if (name === '') throw refused('A kind needs a name.');
    const called = tree.named(name);
    if (called && called.id !== kindId && !kind.isDeleted)
      throw refused(`There is a kind called “${called.name}” already.`);
    if (kind.broaderId !== null && !tree.get(kind.broaderId)) throw refused('The broader kind is not there any more.');
    if (!tree.mayHaveBroader(kindId, kind.broaderId)) throw refused('A kind can’t take fields over from itself.');
    if (said.templateId) pageOf(outline, said.templateId);
    if (said.homeId) pageOf(outline, said.homeId);
    if (said.placeId) entryOf(outline, said.placeId);
    const undo: DescribeKind = before
      ? { ...before, do: 'describeKind', id: kindId }
      : { do: 'describeKind', id: kindId, isDeleted: true };
    return { changes: [{ change: 'kind', kind: { ...kind, name } }], undo: [undo] };
  },
};
