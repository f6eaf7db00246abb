import { createContext, type ComponentType } from 'react';
import type { FoundListAttributes } from '@glossarion/core/document';
import type { LogAttributes } from '@glossarion/core/log';

/** A live list where it stands on a page. */
interface LiveProps<Attributes> {
  /** The page it stands on, where that is known. */
  pageId: string | null;
  /** Whether it was just put in, and what it is to list is asked for. */
  isNew?: boolean;
  /** Changes what it lists, where that may be done. */
  onChange?: (changes: Partial<Attributes>) => void;
}

export interface LogProps extends LiveProps<LogAttributes> {
  log: LogAttributes;
}

export interface FoundListProps extends LiveProps<FoundListAttributes> {
  list: FoundListAttributes;
}

/**
 * What draws lists of lines from elsewhere: they are made of glosses, which stand above the editor. Without it, as within
 * a line that such a list shows, one is only named: it might list itself.
 */
export const LiveDrawing = createContext<{
  Log: ComponentType<LogProps>;
  FoundList: ComponentType<FoundListProps>;
} | null>(null);
