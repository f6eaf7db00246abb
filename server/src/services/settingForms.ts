import Joi from 'joi';
import { DESK_PARTS, DESK_SIZES } from '@glossarion/core/desk';
import { isZone } from '@glossarion/core/journal';
import { LANGUAGE_NAMES } from '@glossarion/core/languages/names';
import { id } from '../values';
import { LANGUAGES_SETTING } from './countedLanguages';
import { TIME_ZONE } from './zones';

const arrangement = Joi.array()
  .items(
    Joi.object({
      part: Joi.string()
        .valid(...DESK_PARTS)
        .required(),
      size: Joi.string()
        .valid(...DESK_SIZES)
        .required(),
      isHidden: Joi.boolean().required(),
    }),
  )
  .unique('part')
  .max(DESK_PARTS.length);

/** What may be set, and how each value looks. */
export const SETTINGS: Record<string, Joi.Schema> = {
  /** Whether single letters act out of text. */
  letters: Joi.boolean().strict(),
  /** The arrangement of the Desk on a phone and on a wide screen; null: as shipped, or as on the other. */
  desk: Joi.object({ phone: arrangement.allow(null).required(), wide: arrangement.allow(null).required() }),
  /** Where the person is, as their device says it. */
  [TIME_ZONE]: Joi.string()
    .max(64)
    .custom((zone: string) => {
      if (!isZone(zone)) throw new Error('there is no such time zone');
      return zone;
    }),
  /** The languages that somebody writes, the one they write most first; none: as their words have it. */
  [LANGUAGES_SETTING]: Joi.array()
    .items(Joi.string().valid(...LANGUAGE_NAMES.map(({ code }) => code)))
    .unique()
    .max(LANGUAGE_NAMES.length),
  /** The templates that days begin with. */
  dayTemplates: Joi.object({
    every: id.allow(null).required(),
    weekdays: Joi.object()
      .pattern(Joi.string().valid('0', '1', '2', '3', '4', '5', '6'), id.allow(null))
      .required(),
  }),
};
