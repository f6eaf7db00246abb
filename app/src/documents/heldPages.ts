import * as Y from 'yjs';
import { readBody, shownWords, type NodeJson } from '@glossarion/core/document';
import type { Library } from './library';
import type { KeptHere, OutboxItem } from './localStore';

/** The text of a page as it is held here, with what was typed and not sent yet. */
export interface HeldText {
  pageId: string;
  title: string;
  content: readonly NodeJson[];
}

/** After so many milliseconds of reading others have their turn. */
const TURN = 12;

const turn = () => new Promise((resolve) => setTimeout(resolve));

function textOf(pageId: string, document: Y.Doc): HeldText | null {
  try {
    return { pageId, title: document.getText('title').toString(), content: readBody(document).content };
  } catch {
    // What this version can't read is searched when the server is back.
    return null;
  }
}

/** The pages that this browser keeps, as they are now. */
export async function heldTexts(local: KeptHere, library: Pick<Library, 'atHand'>): Promise<HeldText[]> {
  const [stored, waiting] = await Promise.all([local.allPages(), local.outbox()]);
  const unsent = new Map<string, OutboxItem[]>();
  for (const { item } of waiting) unsent.set(item.pageId, [...(unsent.get(item.pageId) ?? []), item]);
  const states = new Map(stored.map(({ pageId, state }) => [pageId, state]));
  const texts: HeldText[] = [];
  let since = performance.now();
  for (const pageId of new Set([...states.keys(), ...unsent.keys()])) {
    if (performance.now() - since > TURN) {
      await turn();
      since = performance.now();
    }
    const open = library.atHand(pageId);
    const document = open?.isReady ? open.document : new Y.Doc();
    if (!open?.isReady) {
      const state = states.get(pageId);
      if (state) Y.applyUpdate(document, state);
      for (const { update } of unsent.get(pageId) ?? []) Y.applyUpdate(document, update);
    }
    const text = textOf(pageId, document);
    if (text) texts.push(text);
    if (!open?.isReady) document.destroy();
  }
  return texts;
}

/** The lines of a text, with the words that each shows. */
export const linesOfText = (
  { content }: HeldText,
  titleOf: (target: string) => string,
): { id: string; words: string }[] =>
  content.map((node) => ({
    id: String(node.attrs?.id),
    words: shownWords(node, titleOf, '\n')
      .trim()
      .replaceAll(/\s*\n\s*/gu, ' · '),
  }));
