import type { Target } from '../links/target';
import type { ShownTask } from '../tasks/shown';
import type { NamedPage } from './fromLine';

/** The last time that one met somebody. */
export interface LastMeeting {
  meeting: Target;
  /** The day it was held on, or begun to be written of. */
  day: string;
  /** Which of the people that were asked for were there. */
  people: string[];
  /** What is open on its page. */
  open: ShownTask[];
}

/** What is known of the pages that a line names, for a meeting that is to be made of it. */
export interface AboutMeeting {
  /** Those of the pages that are people or projects, in the order that was asked for. */
  named: NamedPage[];
  last: LastMeeting | null;
  /** Where pages of meetings are begun when there is no project; null for nowhere in particular. */
  place: Target | null;
  /** What the shown links are called. */
  targets: Target[];
}
