/** By hand: an import makes entries and tags by the thousand. */

/** The columns that a new entry is given, in the order of the values. */
export const MADE_WITH = [
  'id',
  'kind',
  'parentId',
  'orderKey',
  'name',
  'pigment',
  'ornament',
  'description',
  'day',
  'period',
  'jotting',
  'comesBack',
  'begunAt',
  'changedAt',
  'season',
  'showsLeaves',
  'pagesBeneath',
  'sectionsBeneath',
  'isTemplate',
  'templateId',
  'madeFrom',
  'importId',
] as const;

export const ADD_ENTRY = `
  INSERT INTO entries (ownerId, ${MADE_WITH.join(', ')}) VALUES (?${', ?'.repeat(MADE_WITH.length)})`;

/** A tag without a pigment. */
export const ADD_TAG = `
  INSERT INTO tags (id, ownerId, parentId, name, folded, importId) VALUES (@id, @viewer, @parentId, @name, @folded, @importId)`;
