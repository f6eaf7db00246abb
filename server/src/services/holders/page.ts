import { accountOf, entryIfVisible, sees, writableEntry } from '../../access';
import { prepared } from '../../sqlite/prepared';
import { NOTE_NAME, WRITE_KNOWN } from '../../entities/fact.queries';
import { otherNamesOf } from '../otherNames';
import type { Holder } from './holder';

/** Pages, and the days of the journal. */
export const page: Holder = {
  isFound: true,
  sees,
  read: (connection, id) => {
    const entry = entryIfVisible(connection, id);
    if (!entry) return undefined;
    return { id, row: entry.row, title: entry.name, accountId: accountOf(connection.raw, id)!, day: entry.day };
  },
  guard: (connection, id) => void writableEntry(connection, id),
  write: (writer, id, { title, firstWords, wordCount, at }) =>
    void prepared(writer, WRITE_KNOWN).run(title, firstWords, wordCount, at, id),
  noteName: (writer, id, name) => {
    if (name.trim() !== '') prepared(writer, NOTE_NAME).run({ id, name });
  },
  otherNames: otherNamesOf,
};
