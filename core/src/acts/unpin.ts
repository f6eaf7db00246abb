import { NOTHING, type PlannedAct } from './act';
import { pinBefore } from './pin';

export interface Unpin {
  do: 'unpin';
  id: string;
}

export const unpin: PlannedAct<Unpin> = {
  shape: {},
  touches: (act) => [act.id],
  changes: ['desk'],
  isPersonal: true,
  needs: () => [{ pins: true }],
  plan: ({ id }, outline) => {
    const pins = outline.pins();
    if (!pins.some((each) => each.entryId === id)) return NOTHING;
    return { changes: [{ change: 'unpin', id }], undo: [{ do: 'pin', id, afterId: pinBefore(pins, id) }] };
  },
};
