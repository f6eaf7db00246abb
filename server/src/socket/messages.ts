import Joi from 'joi';

import { isDay } from '@glossarion/core/journal';
import { base64, id } from '../routes/route';

/** The most bytes of one message. */
export const MAX_MESSAGE = 8 * 1024 * 1024;

/** What a window says to the server. Updates and state vectors are Yjs bytes in base64. */
export type ClientMessage =
  | { type: 'open'; page: string; day: string | null; vector: string | null }
  | { type: 'close'; page: string }
  /** A piece of an update that is too long for one message; the update itself follows with the last piece. */
  | { type: 'part'; page: string; number: number; update: string }
  | { type: 'update'; page: string; day: string | null; epoch: number; number: number; update: string };

/** What the server says to a window. */
export type ServerMessage =
  | { type: 'state'; page: string; epoch: number; update: string; vector: string }
  /** What somebody did in another window, or what the server did by itself: lifted lines, mended what two did at once. */
  | { type: 'update'; page: string; epoch: number; update: string; source: 'window' | 'server' }
  | { type: 'saved'; page: string; number: number }
  /** The server can't store it at present; the window keeps it and sends it again. */
  | { type: 'wait'; page: string; number: number | null; reason: string }
  | { type: 'refused'; page: string; number: number | null; reason: string; isStale: boolean }
  | { type: 'changed'; page: string | null; changed: string[] };

const update = base64.max(MAX_MESSAGE);
const day = Joi.string()
  .allow(null)
  .custom((value: string | null) => {
    if (value !== null && !isDay(value)) throw new Error('not a day');
    return value;
  })
  .default(null);

const SCHEMAS: Record<ClientMessage['type'], Joi.ObjectSchema> = {
  open: Joi.object({ type: Joi.any(), page: id.required(), day, vector: update.allow(null, '').default(null) }),
  close: Joi.object({ type: Joi.any(), page: id.required() }),
  part: Joi.object({
    type: Joi.any(),
    page: id.required(),
    number: Joi.number().integer().min(0).required(),
    update: update.required(),
  }),
  update: Joi.object({
    type: Joi.any(),
    page: id.required(),
    day,
    epoch: Joi.number().integer().min(1).required(),
    number: Joi.number().integer().min(0).required(),
    update: update.required(),
  }),
};

/** Every message that a window may send. */
export const MESSAGE_KINDS = Object.keys(SCHEMAS) as ClientMessage['type'][];

/** Reads a message; null when it makes no sense. */
export function readMessage(data: string): ClientMessage | null {
  let value: unknown;
  try {
    value = JSON.parse(data);
  } catch {
    return null;
  }
  const type = (value as { type?: unknown } | null)?.type;
  if (typeof type !== 'string' || !Object.hasOwn(SCHEMAS, type)) return null;
  const result = SCHEMAS[type as ClientMessage['type']].validate(value);
  return result.error ? null : (result.value as ClientMessage);
}
