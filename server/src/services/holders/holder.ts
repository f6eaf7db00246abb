import type { BodyFacts } from '@glossarion/core/document';
import type { ViewerConnection } from '../../access';
import type { RawDatabase } from '../../sqlite/prepared';

/** Something that a document hangs under, as far as its document needs it. */
export interface HeldDocument {
  /** The id of both. */
  id: string;
  title: string;
  /** The row of the search index that holds its words; null when it is not found by them. */
  row: number | null;
  /** The account it belongs to. */
  accountId: string;
  /** The day whose page it is; null for anything else. */
  day: string | null;
}

/** What is known of something by its document. */
export interface DocumentSummary extends Pick<BodyFacts, 'firstWords' | 'wordCount'> {
  title: string;
  /** The moment at which it was changed; null when it was not. */
  at: string | null;
}

/** One kind of what documents hang under. */
export interface Holder {
  /** Whether its lines are found by their words, and looked through for what they name. */
  isFound: boolean;
  /** Whether the viewer may see it. */
  sees: (connection: ViewerConnection, id: string) => boolean;
  /** What holds a document, if the viewer may see it. */
  read: (connection: ViewerConnection, id: string) => HeldDocument | undefined;
  /**
   * Passed before a document is changed.
   *
   * @throws Problem when the viewer may not
   */
  guard: (connection: ViewerConnection, id: string) => void;
  /** Takes over what is known of it by its document. */
  write: (writer: RawDatabase, id: string, known: DocumentSummary) => void;
  /** Notes that it is called so from now on, or not any more. */
  noteName: (writer: RawDatabase, id: string, name: string) => void;
  /** Other names by which it is found like by its title. */
  otherNames: (writer: RawDatabase, id: string) => string[];
}
