import type { PresentPage } from '../formats/markdown/here';
import type { ImportRemark, ImportReport } from '../formats/markdown/types';
import type { ExportForm } from './exportForm';

export * from './exportForm';

/** What takes long: notes that are taken in, or out. */
export const WORK_SORTS = ['in', 'out'] as const;
export type WorkSort = (typeof WORK_SORTS)[number];

/**
 * How a work stands: under way, waiting for somebody to say whether it shall be done, ended well, stopped by somebody, or
 * broken off by what went wrong.
 */
export const WORK_STATES = ['running', 'waiting', 'done', 'stopped', 'failed'] as const;
export type WorkState = (typeof WORK_STATES)[number];

/** Something that takes long, while it is under way and after it. */
export interface Work {
  id: string;
  sort: WorkSort;
  /** What is taken in or out. */
  name: string;
  state: WorkState;
  begunAt: string;
  endedAt: string | null;
  /** How many of how many steps are done; a total of 0 is not known yet. */
  done: number;
  total: number;
  /** Why it failed. */
  problem: string | null;
  /** What an import would make, while it waits. */
  preview: ImportPreview | null;
  /** What an import made. */
  report: ImportReport | null;
  /** Whether it can be taken back as one. */
  canTakeBack: boolean;
  /** What an export wrote. */
  file: WorkFile | null;
}

export interface WorkFile {
  name: string;
  form: ExportForm;
  /** Bytes. */
  size: number;
  pages: number;
  files: number;
  /** Whether more pages were found than go out at once. */
  isMore: boolean;
}

/** What an import would make. */
export interface ImportPreview {
  notebooks: number;
  sections: number;
  pages: number;
  days: number;
  /** How many are here already with the same words. */
  left: number;
  /** The notebook that what stands in no folder would come to. */
  looseNotebook: string;
  /** The notebooks that pages would come to, the first of them, with how many. */
  places: { name: string; pages: number; isHere: boolean }[];
  /** How many pages are here already with other words, and the first of them. */
  presentCount: number;
  present: PresentPage[];
  /** What is not understood, and would come in otherwise than it is written, or not at all; the first of it. */
  remarkCount: number;
  remarks: ImportRemark[];
}
