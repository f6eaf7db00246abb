import Joi from 'joi';
import { isId } from '@glossarion/core/document';
import { isDay } from '@glossarion/core/journal';

/** Joi checks for the values that addresses and bodies are made of. */
export const id = Joi.string()
  .guid({ separator: '-' })
  .custom((value: string) => {
    if (!isId(value)) throw new Error('not an id');
    return value.toLowerCase();
  }, 'an id');

export const day = Joi.string()
  .pattern(/^\d{4}-\d\d-\d\d$/u)
  .custom((value: string) => {
    if (!isDay(value)) throw new Error('not a day of the calendar');
    return value;
  }, 'a day');

/** Bytes in base64, padded. A pattern of the whole runs out of stack on strings of some megabytes. */
export const base64 = Joi.string().custom((value: string) => {
  const padding = value.endsWith('==') ? 2 : value.endsWith('=') ? 1 : 0;
  const isWhole = Buffer.from(value, 'base64').length === (value.length / 4) * 3 - padding;
  if (!isWhole || /[^A-Za-z0-9+/=]/u.test(value)) throw new Error('not base64');
  return value;
}, 'bytes in base64');

/** One line of text: no control characters, no null bytes. */
export const line = (limit: number) =>
  Joi.string()
    .allow('')
    .max(limit)
    .custom((value: string) => {
      if (/[\u0000-\u001F\u007F]/u.test(value)) throw new Error('holds characters that are not text');
      return value;
    }, 'a line of text');

/** Text of several lines: no null bytes. */
export const lines = (limit: number) =>
  Joi.string()
    .allow('')
    .max(limit)
    .custom((value: string) => {
      if (value.includes('\u0000')) throw new Error('holds characters that are not text');
      return value;
    }, 'text');

export const withId = Joi.object({ id: id.required() });

/** How somebody reads days in words. */
export const habits = {
  order: Joi.string().valid('day first', 'month first').default('day first'),
  weekBegins: Joi.number().integer().min(0).max(6).default(1),
};
