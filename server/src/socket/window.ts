import type { WebSocket } from 'ws';
import { MAX_UPDATE, ShapeError } from '@glossarion/core/document';
import type { Viewer } from '../access';
import { Trouble } from '../database/trouble';
import type { Session } from '../entities';
import { Problem } from '../problem';
import type { Services } from '../services';
import { StaleEpoch } from '../services/documents';
import type { ClientMessage, ServerMessage } from '@glossarion/core/messages';

/** A window that has so much left unread, in bytes, is waited for before it is given more of what it asks. */
const READS_ON = 4 * 1024 * 1024;
/** One that is told more than this without reading is cut off: it asks afresh when it comes back. */
const UNREAD = 32 * 1024 * 1024;
/** How long a window is waited for, in milliseconds. */
const PATIENCE = 20_000;
/** What a window sends is not taken from the network while so much of it waits to be handled, in bytes. */
const WAITING = 16 * 1024 * 1024;

const SIGNED_OUT = 1008;

const fromBase64 = (value: string): Uint8Array => new Uint8Array(Buffer.from(value, 'base64'));
export const toBase64 = (value: Uint8Array): string => Buffer.from(value).toString('base64');

/** One open window of the app: what it asks is handled in its order, and nothing is said once its session is over. */
export class Window {
  readonly pages = new Set<string>();
  private last: Promise<void> = Promise.resolve();
  private waiting = 0;
  private isOver = false;
  /** The pieces of the update that is arriving. */
  private parts: { page: string; number: number; pieces: Uint8Array[]; size: number } | null = null;

  constructor(
    private socket: WebSocket,
    readonly viewer: Viewer,
    readonly session: Session,
    private services: Services,
  ) {}

  send(message: ServerMessage): void {
    if (this.socket.readyState !== this.socket.OPEN || !this.isSignedIn()) return;
    if (this.socket.bufferedAmount > UNREAD) return this.socket.terminate();
    this.socket.send(JSON.stringify(message));
  }

  /** Whether the session is still open; closes the socket when it is not. */
  isSignedIn(): boolean {
    if (!this.isOver && this.session.expiresAt >= new Date().toISOString()) return true;
    this.signOut();
    return false;
  }

  /** The session was ended: nothing is heard or said any more. */
  signOut(): void {
    this.isOver = true;
    this.socket.close(SIGNED_OUT, 'signed out');
  }

  /** Whether what changes of a page of this account may be told here. */
  sees(pageId: string, accountId: string): boolean {
    const { viewer, services } = this;
    return viewer.accountId === accountId || (viewer.hasGrants && services.entries.has(viewer, pageId));
  }

  /** Handles a message after those before it. `size` is that of the message, in bytes. */
  take(message: ClientMessage, size: number): void {
    this.waiting += size;
    if (this.waiting > WAITING) this.socket.pause();
    this.last = this.last.then(async () => {
      await this.handle(message).catch((error: unknown) => this.services.log.error(error, 'a message failed'));
      this.waiting -= size;
      if (this.waiting <= WAITING && this.socket.isPaused) this.socket.resume();
    });
  }

  private async handle(message: ClientMessage): Promise<void> {
    if (this.socket.readyState !== this.socket.OPEN) return;
    if (message.type === 'close') this.pages.delete(message.page);
    else if (message.type === 'part') this.part(message);
    else if (message.type === 'open') await this.open(message);
    else await this.update(message);
  }

  /** Waits until the window has read most of what it was told; false when it does not. */
  private async hasRead(): Promise<boolean> {
    const end = Date.now() + PATIENCE;
    while (this.socket.readyState === this.socket.OPEN && this.socket.bufferedAmount > READS_ON) {
      if (Date.now() > end) {
        this.socket.terminate();
        return false;
      }
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    return this.socket.readyState === this.socket.OPEN;
  }

  private async open({ page, day, vector }: Extract<ClientMessage, { type: 'open' }>): Promise<void> {
    if (!(await this.hasRead())) return;
    try {
      this.pages.add(page);
      const known = vector ? fromBase64(vector) : null;
      const opened = await this.services.documents.open(this.viewer, page, day, known);
      const { epoch } = opened;
      this.send({ type: 'state', page, epoch, update: toBase64(opened.update), vector: toBase64(opened.vector) });
    } catch (error) {
      this.pages.delete(page);
      this.refuse(page, null, error);
    }
  }

  private part({ page, number, update }: Extract<ClientMessage, { type: 'part' }>): void {
    if (this.parts?.page !== page || this.parts.number !== number) {
      this.parts = { page, number, pieces: [], size: 0 };
    }
    const piece = fromBase64(update);
    this.parts.size += piece.length;
    // What is too long is counted on, so that it is refused once it is whole, but not kept.
    if (this.parts.size <= MAX_UPDATE) this.parts.pieces.push(piece);
    else this.parts.pieces = [];
  }

  /** The whole of an update, whose last piece came with the message. */
  private whole({ page, number, update }: Extract<ClientMessage, { type: 'update' }>): Uint8Array {
    const { parts } = this;
    this.parts = null;
    if (parts?.page !== page || parts.number !== number) return fromBase64(update);
    if (parts.size > MAX_UPDATE) {
      throw new ShapeError(
        'That is more than a page can take at one time. Paste it in several parts, or on several pages.',
      );
    }
    return Buffer.concat([...parts.pieces, fromBase64(update)]);
  }

  private async update(message: Extract<ClientMessage, { type: 'update' }>): Promise<void> {
    const { page, number, epoch, day } = message;
    try {
      const { documents } = this.services;
      const accepted = await documents.receive(this.viewer, page, epoch, this.whole(message), day, this);
      this.send({ type: 'saved', page, number });
      if (accepted.mended) {
        this.send({ type: 'update', page, epoch, update: toBase64(accepted.mended), source: 'server' });
      }
    } catch (error) {
      this.refuse(page, number, error);
    }
  }

  private refuse(page: string, number: number | null, error: unknown): void {
    // What the disk would not take is kept by the window, and sent again.
    if (error instanceof Trouble) return this.send({ type: 'wait', page, number, reason: error.message });
    const isStale = error instanceof StaleEpoch;
    const isTold = isStale || error instanceof ShapeError || error instanceof Problem;
    if (!isTold) this.services.log.error(error, 'a message could not be handled');
    const reason = isTold ? (error as Error).message : 'Something went wrong on the server.';
    // What failed through no fault of its own is sent again after the next connection.
    if (isTold || number === null) this.send({ type: 'refused', page, number, reason, isStale });
    else this.socket.close(1011);
  }
}
