import type { Server } from 'node:http';
import { WebSocketServer, type WebSocket } from 'ws';
import { OUTDATED, SCHEMA_VERSION, ShapeError } from '@glossarion/core/document';
import { isOwnOrigin, sessionToken } from '../app';
import { Problem } from '../problem';
import type { Services } from '../services';
import { StaleEpoch, type Accepted } from '../services/documents';
import { readMessage, type ClientMessage, type ServerMessage } from './messages';

const SOCKET_PATH = '/api/socket';
const MAX_MESSAGE = 8 * 1024 * 1024;
const PING_EVERY = 30_000;

const fromBase64 = (value: string): Uint8Array => new Uint8Array(Buffer.from(value, 'base64'));
const toBase64 = (value: Uint8Array): string => Buffer.from(value).toString('base64');

/** One open window of the app. */
class Window {
  readonly pages = new Set<string>();

  constructor(
    private socket: WebSocket,
    readonly ownerId: string,
    private services: Services,
  ) {}

  send(message: ServerMessage): void {
    if (this.socket.readyState === this.socket.OPEN) this.socket.send(JSON.stringify(message));
  }

  async take(message: ClientMessage): Promise<void> {
    if (message.type === 'close') this.pages.delete(message.page);
    else if (message.type === 'open') await this.open(message);
    else await this.update(message);
  }

  private async open({ page, day, vector }: Extract<ClientMessage, { type: 'open' }>): Promise<void> {
    try {
      this.pages.add(page);
      const known = vector ? fromBase64(vector) : null;
      const opened = await this.services.documents.open(this.ownerId, page, day, known);
      const { epoch } = opened;
      this.send({ type: 'state', page, epoch, update: toBase64(opened.update), vector: toBase64(opened.vector) });
    } catch (error) {
      this.pages.delete(page);
      this.refuse(page, null, error);
    }
  }

  private async update(message: Extract<ClientMessage, { type: 'update' }>): Promise<void> {
    const { page, number, epoch, day } = message;
    try {
      const { documents } = this.services;
      const accepted = await documents.receive(this.ownerId, page, epoch, fromBase64(message.update), day);
      this.send({ type: 'saved', page, number });
      if (accepted.mended) this.send({ type: 'update', page, epoch, update: toBase64(accepted.mended) });
    } catch (error) {
      this.refuse(page, number, error);
    }
  }

  private refuse(page: string, number: number | null, error: unknown): void {
    const isStale = error instanceof StaleEpoch;
    const isTold = isStale || error instanceof ShapeError || error instanceof Problem;
    if (!isTold) this.services.log.error(error, 'a message could not be handled');
    const reason = isTold ? (error as Error).message : 'Something went wrong on the server.';
    // What failed through no fault of its own is sent again after the next connection.
    if (isTold || number === null) this.send({ type: 'refused', page, number, reason, isStale });
    else this.socket.close(1011);
  }
}

/** Serves the pages' documents over one WebSocket a window. */
export function serveSocket(server: Server, services: Services): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: MAX_MESSAGE });
  const windows = new Map<WebSocket, Window>();
  const alive = new WeakSet<WebSocket>();

  server.on('upgrade', (request, socket, head) => {
    const refuse = (status: string) => socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`);
    const { origin, host, cookie } = request.headers;
    if (request.url?.split('?')[0] !== SOCKET_PATH) return refuse('404 Not Found');
    if (!isOwnOrigin(origin, host, services.config.origin)) return refuse('403 Forbidden');
    const signedIn = services.accounts.bySession(sessionToken(cookie));
    if (!signedIn) return refuse('401 Unauthorized');
    const version = Number(new URLSearchParams(request.url.split('?')[1]).get('schema') ?? 1);
    sockets.handleUpgrade(request, socket, head, (opened) => {
      // A window that does not know every kind of block would delete those it can’t show.
      if (version < SCHEMA_VERSION) return opened.close(OUTDATED, 'outdated');
      const window = new Window(opened, signedIn.account.id, services);
      windows.set(opened, window);
      alive.add(opened);
      let last: Promise<void> = Promise.resolve();
      opened.on('message', (data: Buffer) => {
        const message = readMessage(data.toString());
        if (!message) return opened.close(1008, 'not understood');
        if (!services.accounts.bySession(sessionToken(cookie))) return opened.close(1008, 'signed out');
        last = last.then(() => window.take(message));
      });
      opened.on('pong', () => alive.add(opened));
      opened.on('error', (error) => services.log.warn(error, 'socket'));
      const stop = services.notices.receive(window.ownerId, ({ pageId, changed }) =>
        window.send({ type: 'changed', page: pageId, changed }),
      );
      opened.on('close', () => {
        stop();
        windows.delete(opened);
      });
    });
  });

  const forward = (accepted: Accepted): void => {
    const { pageId, ownerId, epoch } = accepted;
    for (const update of [accepted.update, accepted.mended]) {
      if (!update) continue;
      for (const window of windows.values()) {
        if (window.ownerId !== ownerId || !window.pages.has(pageId)) continue;
        window.send({ type: 'update', page: pageId, epoch, update: toBase64(update) });
      }
    }
  };
  const stopListening = services.documents.onAccepted(forward);

  const ping = setInterval(() => {
    for (const socket of windows.keys()) {
      if (!alive.has(socket)) socket.terminate();
      alive.delete(socket);
      socket.ping();
    }
  }, PING_EVERY);

  return () => {
    clearInterval(ping);
    stopListening();
    for (const socket of windows.keys()) socket.close(1001);
    sockets.close();
  };
}
