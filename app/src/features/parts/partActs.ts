import { newId } from '@glossarion/core/document';
import type { SendForm } from '@glossarion/core/acts/parts';
import type { PageLines } from '../../editor';
import { settleDocuments } from '../../documents/session';
import { api } from '../../state/api';
import { ask, FRESH, store } from '../../state/store';
import { noticed, sheetOpened } from '../../state/view';
import { perform } from '../../state/deeds';
import { open } from '../../screen/navigation';

/** Taking pages apart and putting them together, as a person asks for it. */

/** How long what was typed may take to arrive before the server is asked to act on it. */
const SETTLE = 5000;

/** The server acts on what it has: what was typed has to be there first. */
async function isAllThere(): Promise<boolean> {
  if (await settleDocuments(SETTLE)) return true;
  store.dispatch(noticed({ words: 'This needs the server, which can’t be reached. Your lines are where they were.' }));
  return false;
}

const entryOf = (id: string) => ask(api.endpoints.entry.initiate(id, FRESH));

const linesWords = (count: number): string => (count === 1 ? 'A line' : `${count} lines`);

/** Makes a page of the lines beneath this one; from a day or a jotting, which hold no pages, it is asked where. */
export async function liftLines({ pageId, ids }: PageLines): Promise<void> {
  if (!(await isAllThere())) return;
  const { standsIn } = await entryOf(pageId);
  if (standsIn) store.dispatch(sheetOpened({ for: 'liftTo', pageId, ids }));
  else await liftTo(pageId, ids, pageId);
}

export async function liftTo(pageId: string, ids: string[], parentId: string): Promise<boolean> {
  const made = newId();
  return perform(
    [{ do: 'lift', id: pageId, blockIds: ids, pageId: made, parentId }],
    `${linesWords(ids.length)} became a page, with a link in ${ids.length === 1 ? 'its' : 'their'} place.`,
  );
}

/** Makes a page of each part of a page, with an overview in their place. */
export async function splitPage(pageId: string): Promise<void> {
  if (!(await isAllThere())) return;
  const { standsIn } = await entryOf(pageId);
  if (standsIn) store.dispatch(sheetOpened({ for: 'liftTo', pageId, ids: null }));
  else await splitTo(pageId, pageId);
}

export const splitTo = (pageId: string, parentId: string): Promise<boolean> =>
  perform([{ do: 'split', id: pageId, parentId, seed: newId() }], 'The page was split at its headings.');

/** Sets the lines of a page back into the page above it. */
export async function foldBack(pageId: string): Promise<void> {
  if (!(await isAllThere())) return;
  const { trail, title } = await entryOf(pageId);
  const isDone = await perform([{ do: 'foldBack', id: pageId }], `“${title}” was folded back.`);
  const above = trail.at(-1);
  if (isDone) open(above?.kind === 'page' ? `/p/${above.id}` : `/to/${pageId}`);
}

export const sendLines = ({ pageId, ids }: PageLines): void =>
  void store.dispatch(sheetOpened({ for: 'send', pageId, ids }));

/** Makes a meeting of what a line says: what the server knows of it has to be what is typed. */
export async function meetFromLine({ pageId, ids }: PageLines): Promise<void> {
  if (await isAllThere()) store.dispatch(sheetOpened({ for: 'meeting', pageId, blockId: ids[0]! }));
}

/** Gives lines a tag, once the server has them as they are typed. */
export async function tagLines({ pageId, ids }: PageLines): Promise<void> {
  if (await isAllThere()) store.dispatch(sheetOpened({ for: 'wear', pageIds: [pageId], blockIds: ids }));
}

const SENT: Record<SendForm, string> = { move: 'moved to', copy: 'copied to', excerpt: 'excerpted to' };

export async function sendTo(
  lines: { pageId: string; ids: readonly string[] },
  to: { id: string; title: string },
  at: string,
  form: SendForm,
): Promise<boolean> {
  if (!(await isAllThere())) return false;
  return perform(
    [{ do: 'send', id: lines.pageId, toId: to.id, blockIds: [...lines.ids], at, form, seed: newId() }],
    `${linesWords(lines.ids.length)} ${SENT[form]} “${to.title}”.`,
  );
}

/** Takes an excerpt to the page that stands beside. */
export async function excerptBeside(lines: PageLines, besideId: string): Promise<void> {
  const { title } = await entryOf(besideId);
  await sendTo(lines, { id: besideId, title }, 'end', 'excerpt');
}
