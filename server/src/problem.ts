/** An error that is told to the person: a status, and a sentence that says what happened and what to do (RFC 9457). */
export class Problem extends Error {
  override name = 'Problem';

  constructor(
    readonly status: number,
    readonly sentence: string,
    readonly more: Record<string, unknown> = {},
  ) {
    super(sentence);
  }
}

export const notFound = (): Problem => new Problem(404, 'There is nothing here, or not for this account.');
