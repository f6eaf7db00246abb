import type { DeskSetting } from '@glossarion/core/desk';
import type { BodyJson } from '@glossarion/core/document';
import type { DayPage, DayTemplates } from '@glossarion/core/journal';
import type { Target } from '@glossarion/core/links';
import type { GlossOrder } from '@glossarion/core/margin';
import type { Act } from '@glossarion/core/acts';
import type { EntryInfo } from '@glossarion/core/outline';

/** What the server answers, where it is more than an idea’s own shape (core). */

export interface AccountInfo {
  id: string;
  name: string;
}

export interface SessionInfo {
  account: AccountInfo | null;
  isDemo: boolean;
  /** Whether somebody who is not signed in may make an account. */
  signUp?: 'yes' | 'with an invitation' | 'no';
}

/** What structural acts answer: what takes them back, and what they touched. */
export interface ActsDone {
  undo: Act[];
  targets: Target[];
}

export interface SettingsInfo {
  letters?: boolean;
  desk?: DeskSetting;
  /** How the Margins of pages were left. */
  margins?: Record<string, MarginView>;
  /** Where the person is, as their device says it. */
  timeZone?: string;
  /** The languages that somebody writes, by code; none where that is seen by their words. */
  languages?: string[];
  /** The templates that days begin with; weekdays by number, 0 for Sunday. */
  dayTemplates?: DayTemplates;
}

/** How a person left the Margin of a page. */
export interface MarginView {
  group?: 'line' | 'page' | 'day' | 'log';
  notebook?: string | null;
  tag?: string | null;
  kind?: string | null;
  since?: 'week' | 'month' | 'year' | null;
  isWithoutAside?: boolean;
  isFolded?: boolean;
  /** In which order glosses follow each other; newest first when nothing is chosen. */
  order?: GlossOrder;
  isHidden?: boolean;
}

export interface PageInfo extends EntryInfo {
  body: BodyJson;
  targets: Target[];
}

export interface DayInfo extends DayPage {
  targets: Target[];
}
