import { accountOf, sees, visibleEntry, writableEntry } from '../../access';
import { prepared } from '../../database/prepared';
import { FORGET_KIN, NOTE_NAME, OTHER_NAMES, WRITE_COUNTS, WRITE_TITLE } from '../../entities/fact.queries';
import type { Holder } from './holder';

/** Pages, and the days of the journal. */
export const page: Holder = {
  sees,
  read: (connection, id) => {
    if (!sees(connection, id)) return undefined;
    const { row, name } = visibleEntry(connection, id);
    return { id, row, title: name, accountId: accountOf(connection.raw, id)! };
  },
  guard: (connection, id) => void writableEntry(connection, id),
  writeCounts: (writer, id, { firstWords, wordCount }) =>
    void prepared(writer, WRITE_COUNTS).run(firstWords, wordCount, id),
  writeTitle: (writer, id, title, at) => void prepared(writer, WRITE_TITLE).run(title, at, id),
  noteName: (writer, id, name) => {
    if (name.trim() !== '') prepared(writer, NOTE_NAME).run({ id, name });
  },
  otherNames: (writer, id) => prepared(writer, OTHER_NAMES).pluck().all(id) as string[],
  forgetFindings: (writer, id) => void prepared(writer, FORGET_KIN).run(id),
};
