import { createContext, type ComponentType } from 'react';
import type { LogAttributes } from '@glossarion/core/log';

/** A log where it stands on a page. */
export interface LogProps {
  log: LogAttributes;
  /** The page it stands on, where that is known. */
  pageId: string | null;
  /** Whether it was just put in, and what it is to list is asked for. */
  isNew?: boolean;
  /** Changes what it lists, where that may be done. */
  onChange?: (changes: Partial<LogAttributes>) => void;
}

/**
 * What draws logs: they are made of glosses, which stand above the editor. Without it, as within a line that a log
 * shows, a log is only named: it might list itself.
 */
export const LogDrawing = createContext<ComponentType<LogProps> | null>(null);
