import { KIND_VIEWS } from './all';
import type { KindView, Offer, TextLook } from './kind';

export { KIND_VIEWS };
export type * from './kind';

const views: ReadonlyMap<string, KindView> = new Map(KIND_VIEWS.map((view) => [view.name, view]));

export const viewOf = (kind: string): KindView | undefined => views.get(kind);

export const textLook = (kind: unknown): TextLook => views.get(String(kind))?.text ?? {};

export const OFFERS: readonly Offer[] = KIND_VIEWS.flatMap(({ offers }) => offers);
