/** Thrown when a page breaks the schema's shape. The message is a sentence for people. */
export class ShapeError extends Error {
  override name = 'ShapeError';
}
