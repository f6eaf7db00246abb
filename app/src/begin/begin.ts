import { unwrap } from 'idb';
import { SCHEMA_VERSION } from '@glossarion/core/document';
import type { Ahead } from '../documents/ahead';
import { LocalStore, openDatabase } from '../documents/localStore';
import { socketAddress } from '../documents/socketAddress';
import { hasSignedOut, rememberedAccount } from '../state/memory';
import type { SessionInfo } from '../state/types';
import { pageAt } from './pageAt';

/**
 * A script of its own, a few kilobytes, that runs before the app's is here: asks who is signed in, opens what this
 * browser keeps of theirs and the way to the server, and has the page at this address come. The app takes over what is
 * here (features/session/begin); what is not, or failed, it asks for as it would have.
 */
async function findSession(): Promise<SessionInfo | null> {
  const answer = await fetch('/api/session');
  if (!answer.ok) return null;
  const found = (await answer.json()) as SessionInfo;
  if (found.account || !found.isDemo || hasSignedOut()) return found;
  const entered = await fetch('/api/session/demo', { method: 'POST' });
  return entered.ok ? { ...found, ...((await entered.json()) as SessionInfo) } : found;
}

/** What this browser keeps of an account, and of the page at this address. */
async function findKept(accountId: string): Promise<Pick<Ahead, 'database' | 'page'>> {
  const database = await openDatabase(accountId);
  const place = pageAt(window.location.pathname, accountId);
  if (!place) return { database: unwrap(database), page: null };
  const local = new LocalStore(database);
  const [stored, outbox] = await Promise.all([local.page(place.id), local.outbox(place.id)]);
  return { database: unwrap(database), page: { ...place, stored, outbox } };
}

async function begin(ahead: Ahead): Promise<void> {
  // Whoever was here last is most likely here again; nothing of theirs is shown before the server says so.
  const remembered = rememberedAccount();
  const expected = remembered && findKept(remembered.id).catch(() => null);
  ahead.session = await findSession().catch(() => null);
  const account = ahead.session?.account;
  if (account?.id !== remembered?.id) void expected?.then((kept) => kept?.database?.close());
  if (!account) return;
  const socket = new WebSocket(socketAddress(SCHEMA_VERSION));
  const way = (ahead.way = { socket, heard: [] as string[], asked: null as string | null });
  socket.onmessage = ({ data }) => way.heard.push(String(data));
  Object.assign(ahead, await (account.id === remembered?.id ? expected : findKept(account.id)));
  const { page } = ahead;
  if (!page || page.stored || page.outbox.length > 0) return;
  const ask = () => {
    way.asked = page.id;
    socket.send(JSON.stringify({ type: 'open', page: page.id, day: page.day, vector: null }));
  };
  if (socket.readyState === WebSocket.OPEN) ask();
  else socket.onopen = ask;
}

/** The faces that the first text is set in: asked for once what it is written with is on its way. */
const FACES = ['alegreya-latin-400-normal', 'alegreya-sans-latin-400-normal'];

function askForFaces(): void {
  for (const name of FACES) {
    const link = document.createElement('link');
    Object.assign(link, { rel: 'preload', as: 'font', type: 'font/woff2', crossOrigin: '' });
    link.href = `/fonts/${name}.woff2`;
    document.head.append(link);
  }
}

const ahead: Ahead = { session: null, database: null, page: null, way: null, isWhole: false, whole: Promise.resolve() };
ahead.whole = begin(ahead)
  .catch(() => undefined)
  .then(() => {
    ahead.isWhole = true;
    askForFaces();
  });
window.glossarionAhead = ahead;
