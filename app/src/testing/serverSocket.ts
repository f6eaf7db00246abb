import * as Y from 'yjs';
import { block, seedDocument } from '@glossarion/core/document';

/** The server’s end of a window’s socket, for tests of what the window does. */

const base64 = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64');
export const bytesOf = (words: string) => new Uint8Array(Buffer.from(words, 'base64'));

export function documentOf(update: Uint8Array): Y.Doc {
  const document = new Y.Doc();
  Y.applyUpdate(document, update);
  return document;
}

export interface Sent {
  type: string;
  page: string;
  number: number;
  update: string;
}

/** The server's end of the socket: has one page, and stores what is sent when the test says so. */
export class Socket {
  static CONNECTING = 0;
  static OPEN = 1;
  /** How many were opened. */
  static count = 0;
  static open: Socket;
  /** Whether a server is there to be connected to; the page it has, and of which epoch. */
  static isThere = true;
  static begins: () => Y.Doc = () =>
    documentOf(seedDocument('page', '', { type: 'doc', content: [block('paragraph', 'gate')] }));
  static epoch = 1;
  readyState = 0;
  document = Socket.begins();
  updates: Sent[] = [];
  parts: Sent[] = [];
  onclose: (event: { code: number }) => void = () => undefined;
  onopen = () => undefined as void;
  onmessage: (event: { data: string }) => void = () => undefined;
  constructor() {
    Socket.open = this;
    Socket.count += 1;
    const { isThere } = Socket;
    setTimeout(() => (isThere ? ((this.readyState = 1), this.onopen()) : this.onclose({ code: 1006 })));
  }
  send(message: string) {
    const said = JSON.parse(message) as Sent;
    if (said.type === 'update') this.updates.push(said);
    if (said.type === 'part') this.parts.push(said);
    if (said.type !== 'open') return;
    const [update, vector] = [Y.encodeStateAsUpdate(this.document), Y.encodeStateVector(this.document)].map(base64);
    this.say({ type: 'state', page: said.page, epoch: Socket.epoch, update, vector });
  }
  say = (message: object) => this.onmessage({ data: JSON.stringify(message) });
  store({ page, number, update }: Sent) {
    Y.applyUpdate(this.document, bytesOf(update));
    this.say({ type: 'saved', page, number });
  }
  close = () => undefined;
}

export const around = Object.assign(new EventTarget(), { location: { href: 'http://notes.example/' } });
export const shown = Object.assign(new EventTarget(), { visibilityState: 'visible' });

/** What a window is told by its library. */
export const events = () => ({
  onSaving: jest.fn(),
  onHeard: jest.fn(),
  onChanged: jest.fn(),
  onBack: jest.fn(),
  onKept: jest.fn(),
  onFull: jest.fn(),
  onSignedOut: jest.fn(),
  onOutdated: jest.fn(),
});
