import type { Outgoing } from '../outgoing';

/** What notes are written as: a file of this folder, entered in index.ts. */
export interface Form {
  /** Of the name of the file. */
  ending: string;
  /** Its media type. */
  media: string;
  /** Whether it is opened in the browser, and not kept as a file. It must hold nothing that runs. */
  isOpened?: true;
  /**
   * Writes what goes out to a file, piece by piece; says how far it has come.
   *
   * @throws the reason of the progress's signal when it is aborted
   */
  write: (outgoing: Outgoing, target: string) => Promise<void>;
}
