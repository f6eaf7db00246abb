import { accountOf, type ViewerConnection } from '../../access';
import { notFound } from '../../problem';
import type { Holder } from './holder';

const sees = (connection: ViewerConnection, id: string): boolean =>
  accountOf(connection.raw, id) === connection.viewer.accountId;

/** Tags: the document of each describes it. Whoever was granted lines sees the names of their tags, and no more. */
export const tag: Holder = {
  isFound: false,
  sees,
  read: (connection, id) =>
    sees(connection, id)
      ? { id, row: null, title: '', accountId: accountOf(connection.raw, id)!, day: null }
      : undefined,
  guard: (connection, id) => {
    if (!sees(connection, id)) throw notFound();
  },
  write: () => undefined,
  noteName: () => undefined,
  otherNames: () => [],
};
