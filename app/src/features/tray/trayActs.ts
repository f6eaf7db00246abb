import type { Act } from '@glossarion/core/acts';
import { dayInText } from '@glossarion/core/journal';
import { titleOfJotting, type Jotting } from '@glossarion/core/tray';
import { perform } from '../../state/deeds';
import { today } from '../../state/tasks';
import { jottingTitle } from './jottingWords';

/** What is done with jottings; each is one deed, however many there are. */

const SHOWN = 50;

function named(jottings: readonly Jotting[]): string {
  if (jottings.length > 1) return `${jottings.length} jottings`;
  const title = jottingTitle(jottings[0]!);
  return `“${title.length > SHOWN ? `${title.slice(0, SHOWN).trimEnd()}…` : title}”`;
}

const each = (jottings: readonly Jotting[], act: (jotting: Jotting) => Act | Act[], told: string): Promise<boolean> =>
  perform(jottings.flatMap(act), `${named(jottings)} ${told}.`);

const isOrAre = ({ length }: readonly Jotting[]): string => (length === 1 ? 'is' : 'are');
const comeOrComes = ({ length }: readonly Jotting[]): string => (length === 1 ? 'comes' : 'come');

/** Files them to a page, in their order: at its end, or at the end of a heading's part. */
export const fileTo = (
  jottings: readonly Jotting[],
  page: { id: string; title: string },
  at: string,
): Promise<boolean> =>
  each(
    // Set at the head one after the other they would stand the other way round.
    at === 'head' ? [...jottings].reverse() : jottings,
    ({ id }) => ({ do: 'file', id, toId: page.id, at }),
    `${isOrAre(jottings)} on “${page.title}” now`,
  );

/** Makes pages of them, called by their first words. */
export const makePages = (jottings: readonly Jotting[], holder: { id: string; title: string }): Promise<boolean> =>
  each(
    jottings,
    (jotting) => [
      { do: 'place', id: jotting.id, parentId: holder.id },
      { do: 'name', id: jotting.id, name: titleOfJotting(jottingTitle(jotting)) },
    ],
    `${jottings.length === 1 ? 'is a page' : 'are pages'} in “${holder.title}” now`,
  );

export const comeBackOn = (jottings: readonly Jotting[], day: string): Promise<boolean> =>
  each(
    jottings,
    ({ id }) => ({ do: 'tray', id, jotting: 'waiting', comesBack: day }),
    `${comeOrComes(jottings)} back ${dayInText(day, today())}`,
  );

/** Keeps them in the Tray for good, or lets them wait again. */
export const keepForGood = (jottings: readonly Jotting[], isKept: boolean): Promise<boolean> =>
  each(
    jottings,
    ({ id }) => ({ do: 'tray', id, jotting: isKept ? 'kept' : 'waiting', comesBack: null }),
    isKept ? `${isOrAre(jottings)} kept` : `${jottings.length === 1 ? 'waits' : 'wait'} again`,
  );

export const throwAway = (jottings: readonly Jotting[]): Promise<boolean> =>
  each(jottings, ({ id }) => ({ do: 'bin', id }), `${isOrAre(jottings)} in the bin`);
