import { useMemo } from 'react';
import type { Field, Kind, KindTree } from '@glossarion/core/kinds';
import { rememberedKinds, rememberKinds } from '../../state/memory';
import { ask } from '../../state/store';
import { computed } from './computed';
import { kindQueries, useKindsQuery } from './queries';

interface Held {
  kinds: Kind[];
  fields: Field[];
}

const NONE: Held = { kinds: [], fields: [] };
/** So long the fields of a page wait at most for what they are called, in milliseconds. */
const WAITED_FOR = 1_500;

const asked = async (): Promise<void> => {
  const { kinds, fields } = await ask(kindQueries.endpoints.kinds.initiate());
  rememberKinds(JSON.stringify({ kinds, fields }));
};

function remembered(): Held | null {
  try {
    const held = JSON.parse(rememberedKinds() ?? 'null') as Held | null;
    return held && Array.isArray(held.kinds) && Array.isArray(held.fields) ? held : null;
  } catch {
    return null;
  }
}

/** Resolves when it is known what fields are called: from the last visit at once, else as soon as the server says it. */
export async function prepareKinds(): Promise<void> {
  const asking = asked().catch(() => undefined);
  if (remembered()) return;
  await Promise.race([asking, new Promise((resolve) => setTimeout(resolve, WAITED_FOR))]);
}

/** All kinds with their fields: without the server, as they were known last. */
export function useKinds(): KindTree {
  const { data } = useKindsQuery();
  return useMemo(() => {
    if (data) rememberKinds(JSON.stringify({ kinds: data.kinds, fields: data.fields }));
    const { kinds, fields } = data ?? remembered() ?? NONE;
    return new (computed().KindTree)(kinds, fields);
  }, [data]);
}
