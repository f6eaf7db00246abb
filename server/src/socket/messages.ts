import Joi from 'joi';

import { isDay } from '@glossarion/core/journal';
import { MAX_MESSAGE, type ClientMessage } from '@glossarion/core/messages';
import { base64, id } from '../values';

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
