import { planFoldBack } from './parts/foldBack';
import type { CombinedAct } from './act';
import { refused } from './actError';
import { ANYTHING } from '../notices/changed';
import type { ActOutline } from './outline';

/** Sets a page's blocks back into the page above it, or into the one page that has a line for it alone. */
export interface FoldBack {
  do: 'foldBack';
  id: string;
}

function pageToTakeIt(outline: ActOutline, id: string, parentId: string | null): string | null {
  if (parentId === null) return null;
  if (outline.entry(parentId)?.kind === 'page') return parentId;
  // A page that was lifted from a day stands in a notebook; the day holds the link.
  const linking = outline.linkingAlone(id);
  return linking.length === 1 ? linking[0]! : null;
}

export const foldBack: CombinedAct<FoldBack> = {
  shape: {},
  touches: (act) => [act.id],
  changes: ANYTHING,
  needs: ({ id }) => [{ childrenOf: id }, { linkingAlone: id }],
  steps: ({ id }, outline) => {
    const entry = outline.entry(id);
    const into = entry && pageToTakeIt(outline, id, entry.parentId);
    if (!entry || !into) {
      throw refused('This page stands beneath no other page that it could be folded back into.');
    }
    if (outline.children(id).some(({ deletedAt }) => deletedAt === null)) {
      throw refused('There are pages beneath this one; fold those back or move them first.');
    }
    const page = { id, title: entry.name, content: outline.content(id) };
    return planFoldBack({ id: into, content: outline.content(into) }, page);
  },
};
