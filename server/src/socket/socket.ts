import type { Server } from 'node:http';
import { WebSocketServer, type WebSocket } from 'ws';
import { OUTDATED, SCHEMA_VERSION } from '@glossarion/core/document';
import { MAX_MESSAGE } from '@glossarion/core/messages';
import { isOwnOrigin, sessionToken } from '../app';
import type { Services } from '../services';
import type { Accepted } from '../services/documents';
import { readMessage } from './messages';
import { toBase64, Window } from './window';

const SOCKET_PATH = '/api/socket';
const PING_EVERY = 30_000;
/** How long a window may take to answer that the server is ending, in milliseconds. */
const GOODBYE = 1_000;

/** Serves the pages' documents over one WebSocket a window. */
export function serveSocket(server: Server, services: Services): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: MAX_MESSAGE });
  const windows = new Map<WebSocket, Window>();
  const alive = new WeakSet<WebSocket>();

  server.on('upgrade', async (request, socket, head) => {
    // The limit on connections where nothing moves is for requests.
    (socket as { setTimeout?: (milliseconds: number) => void }).setTimeout?.(0);
    socket.on('error', () => socket.destroy());
    const refuse = (status: string) => socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`);
    const { origin, host, cookie } = request.headers;
    if (request.url?.split('?')[0] !== SOCKET_PATH) return refuse('404 Not Found');
    if (!isOwnOrigin(origin, host, services.config.origin)) return refuse('403 Forbidden');
    const signedIn = await services.accounts.bySession(sessionToken(cookie)).catch(() => null);
    if (!signedIn) return refuse('401 Unauthorized');
    const version = Number(new URLSearchParams(request.url.split('?')[1]).get('schema') ?? 1);
    sockets.handleUpgrade(request, socket, head, (opened) => {
      // A window that does not know every kind of block would delete those it can’t show.
      if (version < SCHEMA_VERSION) return opened.close(OUTDATED, 'outdated');
      const window = new Window(opened, signedIn.viewer, signedIn.session, services);
      windows.set(opened, window);
      alive.add(opened);
      opened.on('message', (data: Buffer) => {
        const message = readMessage(data.toString());
        if (!message) return opened.close(1008, 'not understood');
        if (window.isSignedIn()) window.take(message, data.length);
      });
      opened.on('pong', () => alive.add(opened));
      opened.on('error', (error) => services.log.warn(error, 'socket'));
      const { accountId } = window.viewer;
      const stop = services.notices.receive(accountId, (changed) => window.send({ type: 'changed', changed }));
      window.send({ type: 'told', told: services.notices.told(accountId) });
      // It may have ended while this was opened.
      void services.accounts.isOpen(signedIn.session.id).then((isOpen) => isOpen || window.signOut());
      opened.on('close', () => {
        stop();
        windows.delete(opened);
      });
    });
  });

  const forward = (accepted: Accepted): void => {
    const { pageId, accountId, epoch } = accepted;
    for (const source of ['window', 'server'] as const) {
      const update = source === 'window' ? accepted.update : accepted.mended;
      if (!update) continue;
      for (const window of windows.values()) {
        if (window === accepted.from || !window.pages.has(pageId) || !window.sees(pageId, accountId)) continue;
        window.send({ type: 'update', page: pageId, epoch, update: toBase64(update), source });
      }
    }
  };
  const stopListening = services.documents.onAccepted(forward);
  const stopWatching = services.accounts.onEnded((sessionIds) => {
    for (const window of windows.values()) if (sessionIds.has(window.session.id)) window.signOut();
  });

  const ping = setInterval(() => {
    for (const [socket, window] of windows) {
      if (!alive.has(socket)) socket.terminate();
      alive.delete(socket);
      if (window.isSignedIn()) socket.ping();
    }
  }, PING_EVERY);

  return () => {
    clearInterval(ping);
    stopListening();
    stopWatching();
    const left = [...windows.keys()];
    for (const socket of left) socket.close(1001);
    // One that does not answer is not waited for.
    setTimeout(() => left.forEach((socket) => socket.terminate()), GOODBYE).unref();
    sockets.close();
  };
}
