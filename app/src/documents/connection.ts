import { OUTDATED, SCHEMA_VERSION } from '@glossarion/core/document';
import type { ServerMessage } from '@glossarion/core/messages';
import { socketAddress } from './socketAddress';

export interface ConnectionEvents {
  /** There is a way to the server, for the first time, or again. */
  onOpen: (isBack: boolean) => void;
  onMessage: (message: ServerMessage) => void;
  /** The way is gone: what was sent without an answer is sent again when there is one. */
  onLost: () => void;
  /** What was being sent was longer than the server takes. */
  onTooLong: () => void;
  /** The session ended; whoever is there has to sign in again. */
  onSignedOut: () => void;
  /** The server speaks of kinds of blocks that this window does not know. */
  onOutdated: () => void;
  /** Whether something that was sent waits for an answer. */
  isWaiting: () => boolean;
}

/** The codes a socket is closed with when the session is over, and when a message was too long. */
const SIGNED_OUT = 1008;
const TOO_LONG = 1009;
/** How long an answer may stay out, to what was sent and to whether the server is there, in milliseconds. */
const ANSWER_WITHIN = 1_100;
/** So often the server may be there and yet say nothing to what was sent: then the socket itself is gone. */
const UNHEARD_AT_MOST = 8;
const FIRST_RETRY = 250;
const LONGEST_RETRY = 2_000;

const isServerThere = (): Promise<boolean> =>
  fetch('/api/health', { cache: 'no-store', signal: AbortSignal.timeout(ANSWER_WITHIN) }).then(
    () => true,
    () => false,
  );

/** One socket to the server, opened again whenever it is lost. */
export class Connection {
  isOpen = false;
  /** Whether the last try to connect came to nothing. */
  hasFailed = false;
  /** Whether the way to the server is known to be cut: it is not while it is only being looked for. */
  isCutOff = false;
  private socket: WebSocket | null = null;
  private isClosed = false;
  private retry = FIRST_RETRY;
  /** When the server was heard last, and what waits for it to be heard again. */
  private heardAt = 0;
  private unheard = 0;
  private watching: ReturnType<typeof setTimeout> | null = null;

  /** @param socket one that was opened already, and is gone on with while it holds */
  constructor(
    private events: ConnectionEvents,
    socket: WebSocket | null = null,
  ) {
    if (socket && socket.readyState <= WebSocket.OPEN) this.use(socket);
    else this.connect();
    this.isOpen = socket !== null && socket.readyState === WebSocket.OPEN;
    window.addEventListener('online', this.connect);
    window.addEventListener('offline', this.probe);
  }

  say(message: object): void {
    this.socket?.send(JSON.stringify(message));
  }

  private connect = (): void => {
    if (this.isClosed || this.isOpen || this.socket?.readyState === WebSocket.CONNECTING) return;
    this.use(new WebSocket(socketAddress(SCHEMA_VERSION)));
  };

  private use(socket: WebSocket): void {
    this.socket = socket;
    socket.onopen = () => {
      const isBack = this.isCutOff;
      this.isOpen = true;
      this.isCutOff = false;
      this.hasFailed = false;
      this.retry = FIRST_RETRY;
      this.events.onOpen(isBack);
    };
    socket.onmessage = ({ data }) => {
      this.heardAt = Date.now();
      this.unheard = 0;
      this.events.onMessage(JSON.parse(String(data)) as ServerMessage);
    };
    socket.onclose = ({ code }) => {
      if (this.socket !== socket) return;
      if (code === TOO_LONG) this.events.onTooLong();
      if (code === SIGNED_OUT) this.events.onSignedOut();
      if (code === OUTDATED) {
        this.isClosed = true;
        this.events.onOutdated();
      }
      this.lose(!this.isOpen);
    };
  }

  private lose(hasFailed: boolean): void {
    this.hasFailed = hasFailed;
    this.isOpen = false;
    this.isCutOff = true;
    this.socket = null;
    this.events.onLost();
    if (this.isClosed) return;
    setTimeout(this.connect, this.retry);
    this.retry = Math.min(this.retry * 2, LONGEST_RETRY);
  }

  /** What is typed has to be answered: where nothing comes for a while, it is looked whether the server is there. */
  watch(): void {
    this.watching ??= setTimeout(() => {
      this.watching = null;
      if (!this.events.isWaiting() || !this.isOpen) return;
      if (Date.now() - this.heardAt < ANSWER_WITHIN) this.watch();
      else void this.probe();
    }, ANSWER_WITHIN);
  }

  /**
   * A network that is cut does not close a socket for minutes. The server is asked whether it is there at all; a slow one
   * says so. A socket that was dropped on the way, as while a phone slept, stays silent though the server is there.
   */
  private probe = async (): Promise<void> => {
    const { socket } = this;
    if (!socket || !this.isOpen || this.isClosed) return;
    const isThere = await isServerThere();
    if (this.socket !== socket) return;
    this.unheard += 1;
    if (isThere && this.unheard < UNHEARD_AT_MOST) this.watch();
    else {
      this.unheard = 0;
      this.lose(false);
      socket.close();
    }
  };

  close(): void {
    this.isClosed = true;
    window.removeEventListener('online', this.connect);
    window.removeEventListener('offline', this.probe);
    this.socket?.close();
  }
}
