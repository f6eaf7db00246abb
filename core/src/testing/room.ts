import * as Y from 'yjs';
import { readBody, receiveUpdate, repairBody, seedDocument, writeBody, type BodyJson, type Range } from '../document';
import { ownWords } from '../document/text';

/** A server's document of one page, which takes in what windows send as the server does. */
export class Room {
  server = new Y.Doc({ gc: false });
  private removals = new Map<string, Range[]>();

  constructor(start: BodyJson) {
    Y.applyUpdate(this.server, seedDocument('page', '', start));
  }

  /** A window's document, with all that is there. */
  window(): Y.Doc {
    const window = new Y.Doc();
    Y.applyUpdate(window, Y.encodeStateAsUpdate(this.server));
    return window;
  }

  receive(update: Uint8Array): void {
    const {
      removals,
      shown,
      body: received,
    } = receiveUpdate(this.server, update, (client, clock) => this.removals.get(`${client}/${clock}`));
    for (const removal of removals) this.removals.set(`${removal.client}/${removal.clock}`, removal.ranges);
    const { body: mended } = repairBody(received);
    if (mended !== shown) writeBody(this.server, mended);
  }

  lines = (): string[] => readBody(this.server).content.map(ownWords);
}
