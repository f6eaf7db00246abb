import WebSocket from 'ws';
import * as Y from 'yjs';
import { block, readBody, SCHEMA_VERSION, writeBody } from '@glossarion/core/document';
import type { ServerMessage } from '@glossarion/core/messages';
import { toBase64 } from '../socket/window';
import type { Asker } from './builtServer';

/** How long somebody whose words can't be stored waits before sending them again, in milliseconds. */
const AGAIN_AFTER = 60;

/** Somebody who types on a page, over the socket as a window does. */
export class Typist {
  private document = new Y.Doc({ gc: false });
  private epoch = 0;
  private number = 0;
  private answered: (message: ServerMessage) => void = () => {};
  private failed: (error: Error) => void = () => {};

  private constructor(
    private socket: WebSocket,
    private page: string,
  ) {
    socket.on('message', (data) => this.hear(JSON.parse(String(data)) as ServerMessage));
    socket.on('close', () => this.failed(new Error('the socket closed')));
  }

  /** Opens a page; throws when the server does not answer. */
  static async at(asker: Pick<Asker, 'address' | 'cookie'>, page: string): Promise<Typist> {
    const address = `${asker.address.replace('http', 'ws')}/api/socket?schema=${SCHEMA_VERSION}`;
    const socket = new WebSocket(address, { headers: { Origin: asker.address, Cookie: asker.cookie } });
    const typist = new Typist(socket, page);
    await new Promise<void>((resolve, reject) => {
      socket.on('open', resolve);
      socket.on('error', reject);
    });
    const state = await typist.ask({ type: 'open', page, day: null, vector: null });
    if (state.type !== 'state') throw new Error(`opening gave ${state.type}`);
    return typist;
  }

  /** Adds a line to the end of the page and waits until it is said to be saved; what has no room is sent again. */
  async type(words: string): Promise<void> {
    const body = readBody(this.document);
    await this.change(() =>
      writeBody(this.document, { ...body, content: [...body.content, block('paragraph', words)] }),
    );
  }

  /** Puts a letter at the beginning of the first line, and waits until it is said to be saved. */
  async key(letter: string): Promise<void> {
    const line = this.document.getXmlFragment('body').get(0) as Y.XmlElement;
    await this.change(() => (line.get(0) as Y.XmlText).insert(0, letter));
  }

  private async change(changing: () => void): Promise<void> {
    const before = Y.encodeStateVector(this.document);
    changing();
    const update = toBase64(Y.encodeStateAsUpdate(this.document, before));
    for (;;) {
      this.number += 1;
      const { epoch, number, page } = this;
      const answer = await this.ask({ type: 'update', page, day: null, epoch, number, update });
      if (answer.type === 'saved') return;
      if (answer.type !== 'wait') throw new Error(`typing gave ${JSON.stringify(answer).slice(0, 300)}`);
      await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER));
    }
  }

  close(): void {
    this.socket.terminate();
  }

  private ask(message: object): Promise<ServerMessage> {
    return new Promise((resolve, reject) => {
      [this.answered, this.failed] = [resolve, reject];
      if (this.socket.readyState !== WebSocket.OPEN) return reject(new Error('the socket is closed'));
      this.socket.send(JSON.stringify(message));
    });
  }

  private hear(message: ServerMessage): void {
    if (message.type === 'changed' || message.type === 'told') return;
    if (message.type === 'state') this.epoch = message.epoch;
    if (message.type === 'state' || message.type === 'update') {
      Y.applyUpdate(this.document, new Uint8Array(Buffer.from(message.update, 'base64')));
    }
    if (message.type !== 'update') this.answered(message);
  }
}
