import type { Pigment } from '../outline/entry';

/** What pages may be of: a person, a project. */
export interface Kind {
  id: string;
  /** Of one such page. */
  name: string;
  /** The kind whose fields it takes over; null for none. */
  broaderId: string | null;
  pigment: Pigment | null;
  /** The page that its pages begin with, the place they are begun in, and the page that lists them. */
  templateId: string | null;
  placeId: string | null;
  homeId: string | null;
  /** No pages can be made of it; those that are of it stay so, and can be asked for. */
  isDeleted: boolean;
}

/** A kind of which nothing is said yet but what it is called. */
export const newKind = (id: string, name = ''): Kind => ({
  id,
  name,
  broaderId: null,
  pigment: null,
  templateId: null,
  placeId: null,
  homeId: null,
  isDeleted: false,
});
