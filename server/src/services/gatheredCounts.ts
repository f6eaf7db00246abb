import { WordCounts, type CountChange } from '@glossarion/core/find/counting';

/** What is counted of words and not stored yet: most words stand in many of the pages that are written one after another. */
export class GatheredCounts {
  private byKey = new Map<string, { accountId: string; counts: WordCounts }>();
  private last = 0;

  /** The row of the last entry that was counted. */
  get lastRow(): number {
    return this.last;
  }

  /** How many words there are to be stored. */
  get size(): number {
    let size = 0;
    for (const { counts } of this.byKey.values()) size += counts.size;
    return size;
  }

  /** Where the words of an entry are counted. */
  of(accountId: string, row: number, languages: readonly string[]): WordCounts {
    this.last = Math.max(this.last, row);
    const key = [accountId, ...languages].join(' ');
    const known = this.byKey.get(key)?.counts ?? new WordCounts(languages);
    this.byKey.set(key, { accountId, counts: known });
    return known;
  }

  /** What was counted, by account; from then on nothing is. */
  take(): { accountId: string; changes: CountChange[] }[] {
    const taken = [...this.byKey.values()].map(({ accountId, counts }) => ({ accountId, changes: counts.changes() }));
    this.byKey.clear();
    return taken;
  }
}
