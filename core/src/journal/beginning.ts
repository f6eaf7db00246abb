import type { BodyJson } from '../document/types';
import { dayTemplate } from './template';

/** What is known of how a day begins, where it is begun. */
export interface DayBeginning {
  pageId: string;
  /** What it was first shown with, wherever that was. */
  first?: BodyJson | null;
  /** What the person's own template for such a day makes of it. */
  own?: BodyJson | null;
}

/**
 * What a day begins with, for the server, for imports and for windows alike: what it was first shown with, else the
 * person's own template for it, else the shipped one. A window without the server knows neither of the first two.
 */
export const beginDay = ({ pageId, first, own }: DayBeginning): BodyJson => first ?? own ?? dayTemplate(pageId);
