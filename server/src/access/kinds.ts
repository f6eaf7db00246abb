import { In, Not, type EntityManager } from 'typeorm';
import { KindTree, withShipped, type Field, type Kind } from '@glossarion/core/kinds';
import { FieldEntity, KindEntity, type StoredField, type StoredKind } from '../entities';
import { notFound } from '../problem';
import type { Viewer } from './viewer';

const kindOf = ({ ownerId: _owner, isDeleted, ...kind }: StoredKind): Kind => ({ ...kind, isDeleted: isDeleted === 1 });

const fieldOf = ({ ownerId: _owner, isDeleted, choices, orderKey, ...field }: StoredField): Field => ({
  ...field,
  order: orderKey,
  choices: JSON.parse(choices) as Field['choices'],
  isDeleted: isDeleted === 1,
});

/** The kinds of the viewer's own: those that everybody begins with, and what they changed and made. */
export async function ownKinds(manager: EntityManager, { accountId }: Viewer): Promise<KindTree> {
  const own = { ownerId: accountId };
  const [kinds, fields] = [await manager.findBy(KindEntity, own), await manager.findBy(FieldEntity, own)];
  const all = withShipped(accountId, { kinds: kinds.map(kindOf), fields: fields.map(fieldOf) });
  return new KindTree(all.kinds, all.fields);
}

/** @throws Problem (404) when something of another account has its id */
async function checkOwn(present: Promise<{ ownerId: string } | null>, { accountId }: Viewer): Promise<void> {
  const owner = (await present)?.ownerId;
  if (owner !== undefined && owner !== accountId) throw notFound();
}

/** Stores a kind of the viewer's own. Within a transaction. */
export async function putKind(manager: EntityManager, viewer: Viewer, kind: Kind): Promise<void> {
  await checkOwn(manager.findOneBy(KindEntity, { id: kind.id }), viewer);
  await manager.save(KindEntity, { ...kind, ownerId: viewer.accountId, isDeleted: kind.isDeleted ? 1 : 0 });
}

/** Stores a field of a kind of the viewer's own. Within a transaction. */
export async function putField(manager: EntityManager, viewer: Viewer, field: Field): Promise<void> {
  await checkOwn(manager.findOneBy(FieldEntity, { id: field.id }), viewer);
  const { order, choices, isDeleted, ...rest } = field;
  const values = {
    orderKey: order,
    choices: JSON.stringify(choices),
    isDeleted: isDeleted ? (1 as const) : (0 as const),
  };
  await manager.save(FieldEntity, { ...rest, ...values, ownerId: viewer.accountId });
}

/** Those of these ids that kinds or fields of other accounts have. */
export async function kindIdsElsewhere(
  manager: EntityManager,
  { accountId }: Viewer,
  ids: readonly string[],
): Promise<string[]> {
  const where = { id: In([...ids]), ownerId: Not(accountId) };
  const own = { where, select: { id: true } as const };
  return [...(await manager.find(KindEntity, own)), ...(await manager.find(FieldEntity, own))].map(({ id }) => id);
}

/** The ids of the kinds and fields that the viewer made or changed. */
export async function storedKindIds(manager: EntityManager, { accountId }: Viewer): Promise<Set<string>> {
  const own = { where: { ownerId: accountId }, select: { id: true } as const };
  return new Set(
    [...(await manager.find(KindEntity, own)), ...(await manager.find(FieldEntity, own))].map(({ id }) => id),
  );
}
