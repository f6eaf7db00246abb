import { newId } from '../../document/ids';
import { dayId } from '../../journal/day';
import { periodId } from '../../journal/period';
import { shippedKinds } from '../../kinds/shipped';
import type { AccountFile } from './types';

const ID = /[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}/gu;

/** A text with other ids in the place of those that are named otherwise. */
export const withIds = (text: string, renamed: ReadonlyMap<string, string>): string =>
  renamed.size === 0 ? text : text.replaceAll(ID, (id) => renamed.get(id) ?? id);

/** Gives everything another id, each time the same: two accounts of one server hold nothing by the same one. */
class FreshIds extends Map<string, string> {
  override get(id: string): string {
    const known = super.get(id);
    if (known !== undefined) return known;
    const fresh = newId();
    this.set(id, fresh);
    return fresh;
  }

  /** What was named anew is not named anew again. */
  override set(id: string, fresh: string): this {
    if (!this.has(fresh)) super.set(fresh, fresh);
    return super.set(id, fresh);
  }
}

/**
 * What is called otherwise in another account: days, weeks and months, and the kinds that everybody begins with, whose ids
 * follow from that of the account.
 *
 * @param isBeside whether the account that it came from is on the same server: then all else has another id too
 */
export function idsElsewhere(
  { account, entries }: AccountFile,
  accountId: string,
  isBeside = false,
): Map<string, string> {
  if (account === accountId) return new Map();
  const renamed = isBeside ? new FreshIds() : new Map<string, string>();
  for (const { id, day, period } of entries) {
    if (day !== undefined) renamed.set(id, dayId(accountId, day));
    if (period !== undefined) renamed.set(id, periodId(accountId, period));
  }
  const [theirs, own] = [shippedKinds(account), shippedKinds(accountId)];
  theirs.kinds.forEach(({ id }, index) => renamed.set(id, own.kinds[index]!.id));
  theirs.fields.forEach(({ id, choices }, index) => {
    renamed.set(id, own.fields[index]!.id);
    choices.forEach((choice, at) => renamed.set(choice.id, own.fields[index]!.choices[at]!.id));
  });
  return renamed;
}
