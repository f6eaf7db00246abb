import type { Logger } from 'pino';
import { MoreThan } from 'typeorm';
import { ownedBy, ownView, type Viewer } from '../access';
import type { Database } from '../database/database';
import { AccountEntity, CountedLanguagesEntity, EntryEntity, SettingEntity } from '../entities';
import { Errand } from './errand';
import type { FactWriter } from './facts';
import { letOthers } from './turns';

/** The setting that says which languages somebody writes: their codes, the one that they write most first. */
export const LANGUAGES_SETTING = 'languages';
/** Entries that are counted anew in one transaction. */
const AT_ONCE = 50;

interface Counted {
  languages: readonly string[];
  before: readonly string[];
  countedTo: number | null;
}

const AS_SEEN: Counted = { languages: [], before: [], countedTo: null };

/**
 * In which languages the words of accounts are counted. When somebody says that they write others, the words of their
 * notes are counted anew in the order of their rows, while all is served.
 */
export class CountedLanguages {
  private byAccount = new Map<string, Counted>();
  /** Accounts of which it is not known whether all is counted as they have set it. */
  private due = new Set<string>();
  /** What the transaction under way has changed. */
  private staged: [string, Counted] | null = null;

  private constructor(private database: Database) {
    database.onEnd((isStored) => {
      if (isStored && this.staged) this.byAccount.set(...this.staged);
      this.staged = null;
    });
  }

  static async open(database: Database): Promise<CountedLanguages> {
    const counted = new CountedLanguages(database);
    for (const { accountId, languages, before, countedTo } of await database.manager.find(CountedLanguagesEntity)) {
      counted.byAccount.set(accountId, { languages: codes(languages), before: codes(before), countedTo });
    }
    for (const { id } of await database.manager.find(AccountEntity, { select: { id: true } })) counted.due.add(id);
    return counted;
  }

  /** In which languages the words of an entry are counted; none when that is seen by the words alone. */
  of(accountId: string, row: number): readonly string[] {
    const { languages, before, countedTo } = this.byAccount.get(accountId) ?? AS_SEEN;
    return countedTo === null || row <= countedTo ? languages : before;
  }

  /** Somebody has said which languages they write: it is seen to by what counts anew. */
  note({ accountId }: Viewer): void {
    this.due.add(accountId);
  }

  /** What counts words anew where somebody writes other languages than they are counted in. */
  counting(facts: FactWriter, log: Logger): Errand {
    return new Errand(
      async (signal) => {
        // What comes in is not counted yet: it is poked once more when that is whole.
        const isBroken = () => signal.aborted || this.database.importing.size > 0;
        for (const accountId of this.due) {
          while (!isBroken() && (await this.step(ownView(accountId), facts))) await letOthers();
          if (!isBroken()) this.due.delete(accountId);
        }
      },
      log,
      'words were counted in other languages',
    );
  }

  /** Counts some more; whether there is more to count. */
  private async step(viewer: Viewer, facts: FactWriter): Promise<boolean> {
    const { accountId } = viewer;
    const { manager } = this.database;
    const set = await manager.findOneBy(SettingEntity, { key: LANGUAGES_SETTING, ...ownedBy(viewer) });
    const wanted = set ? codes(set.value) : [];
    const counted = this.byAccount.get(accountId) ?? AS_SEEN;
    if (counted.countedTo === null && String(counted.languages) === String(wanted)) return false;
    await this.database.writePiece(async (writing) => {
      const from = counted.countedTo ?? 0;
      const { languages, before } =
        counted.countedTo === null ? { languages: wanted, before: counted.languages } : counted;
      const entries = await writing.find(EntryEntity, {
        select: { id: true, row: true },
        where: { ...ownedBy(viewer), row: MoreThan(from) },
        order: { row: 'ASC' },
        take: AT_ONCE,
      });
      for (const { id, row } of entries) facts.countIn(id, row, languages, before);
      const countedTo = entries.length < AT_ONCE ? null : entries.at(-1)!.row;
      this.staged = [accountId, { languages, before, countedTo }];
      const stored = { languages: JSON.stringify(languages), before: JSON.stringify(before), countedTo };
      await writing.upsert(CountedLanguagesEntity, { accountId, ...stored }, ['accountId']);
    });
    return true;
  }
}

const codes = (json: string): string[] => JSON.parse(json) as string[];
