/**
 * What every place has that core runs in, and the language itself does not: the encoding standard
 * (https://encoding.spec.whatwg.org, 7).
 */
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean });
  decode(input?: Uint8Array): string;
}
