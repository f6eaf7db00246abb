import type { Request } from 'express';
import type { Config } from '../config';

/** Where the product is served, as whoever asks reaches it: `https://notes.example`. */
export const originOf = ({ origin }: Pick<Config, 'origin'>, { protocol, headers }: Request): string =>
  origin ?? `${protocol}://${headers.host ?? 'localhost'}`;
