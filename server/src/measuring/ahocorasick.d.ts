/** A plain search for many patterns at once (Aho and Corasick 1975), the anchor of finding names. */
declare module 'ahocorasick' {
  export default class AhoCorasick {
    constructor(patterns: string[]);
    search(text: string): [end: number, found: string[]][];
  }
}
