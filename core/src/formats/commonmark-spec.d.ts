declare module 'commonmark-spec' {
  /** The examples of the CommonMark specification. */
  export const tests: { number: number; section: string; markdown: string; html: string }[];
}
