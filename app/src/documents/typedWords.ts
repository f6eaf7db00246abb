import * as Y from 'yjs';

/** The words that updates would have added, in the order they were typed; what is set aside when they are refused. */
export function typedWords(updates: readonly Uint8Array[]): string {
  let words = '';
  for (const update of updates) {
    for (const struct of Y.decodeUpdate(update).structs) {
      if (struct instanceof Y.Item) {
        if (struct.content instanceof Y.ContentString) words += struct.content.str;
        else if (struct.content instanceof Y.ContentType && words !== '' && !words.endsWith('\n')) words += '\n';
      }
    }
  }
  return words;
}
