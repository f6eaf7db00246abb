import { EntitySchema } from 'typeorm';
import { integerKey, key, real, text } from './columns';

/** A page alike, as it was found last. */
export interface StoredKin {
  pageId: string;
  place: number;
  otherId: string;
  likeness: number;
  /** JSON. */
  why: string;
}

export const KinEntity = new EntitySchema<StoredKin>({
  name: 'Kin',
  tableName: 'kin',
  columns: { pageId: key, place: integerKey, otherId: text, likeness: real, why: text },
  indices: [{ name: 'kin_by_other', columns: ['otherId'] }],
});

/** When the pages most like one were found last; without a row they have to be found again. */
export interface KinMade {
  pageId: string;
  madeAt: string;
}

export const KinMadeEntity = new EntitySchema<KinMade>({
  name: 'KinMade',
  tableName: 'kinMade',
  columns: { pageId: key, madeAt: text },
});
