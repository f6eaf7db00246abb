import { KIND_VIEWS } from './all';
import type { KindView, Offer, TextLook } from './kind';

export { KIND_VIEWS };
export type * from './kind';

const views: ReadonlyMap<string, KindView> = new Map(KIND_VIEWS.map((view) => [view.name, view]));

export const viewOf = (kind: string): KindView | undefined => views.get(kind);

export const textLook = (kind: unknown): TextLook => views.get(String(kind))?.text ?? {};

/** What a line shows at the end of its words, as a style: generated, so that writing never meets it. */
export function atEnd(kind: unknown, attrs: Readonly<Record<string, unknown>>): string | null {
  const words = textLook(kind).atEnd?.(attrs) ?? '';
  return words === '' ? null : JSON.stringify(words);
}

export const OFFERS: readonly Offer[] = KIND_VIEWS.flatMap(({ offers }) => offers);
