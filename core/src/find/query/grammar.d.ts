/** Made from grammar.peggy by `npm run grammar`. Reads every text. */
export function parse(line: string): unknown;
