import { MAX_BLOCKS } from '../document/types';
import { planSend, SEND_FORMS, type SendForm } from './parts/send';
import type { CombinedAct } from './act';
import { contentOf } from './ask';
import { ANYTHING } from '../notices/changed';
import { either, id, list, oneOf } from './shape';
import { titleIn } from './titles';

/** Brings blocks to another page: themselves, a copy, or an excerpt (acts/parts). */
export interface Send {
  do: 'send';
  id: string;
  toId: string;
  blockIds: string[];
  /** `head`, `end`, or the id of a heading: at the end of its part. */
  at: string;
  form: SendForm;
  /** The ids of copies are computed from this one. */
  seed: string;
}

export const send: CombinedAct<Send> = {
  shape: {
    toId: id,
    blockIds: list(id, MAX_BLOCKS),
    at: either(oneOf(['head', 'end']), id),
    form: oneOf(SEND_FORMS),
    seed: id,
  },
  touches: (act) => [act.id, act.toId],
  changes: ANYTHING,
  bringsText: true,
  steps: (act, outline) =>
    planSend(contentOf(outline, act.id), contentOf(outline, act.toId), act, titleIn(outline, act.id)),
};
