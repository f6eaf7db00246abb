import { hash, verify } from '@node-rs/argon2';
import { createHash, randomBytes } from 'node:crypto';
import { newId } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/find';
import type { Database } from '../database/database';
import { AccountEntity, SessionEntity, type Account, type Session } from '../entities';
import { Problem } from '../problem';

const SESSION_DAYS = 60;
/** Tries that are free of waiting; after each further one the wait doubles. */
const FREE_TRIES = 4;
const FIRST_WAIT_SECONDS = 5;
const LONGEST_WAIT_SECONDS = 15 * 60;

/** Argon2id with the least settings OWASP's password storage sheet asks for (19 MiB, 2 passes). */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');
const inFuture = (seconds: number): string => new Date(Date.now() + seconds * 1000).toISOString();
/** Names that differ in case, accents or spaces only are one name. */
const compared = (name: string): string => foldWords(name).replace(/\s+/gu, ' ').trim();

const wrong = (): Problem => new Problem(401, 'The name or the passphrase is not right.');

/** Accounts and their sessions. */
export class Accounts {
  /** Checked against when there is no such account, so that both answers take as long. */
  private decoy = hash('no such account', ARGON);

  constructor(private database: Database) {}

  async make(name: string, passphrase: string, id = newId()): Promise<Account> {
    const passphraseHash = await hash(passphrase, ARGON);
    const account: Account = {
      id,
      name: name.trim(),
      foldedName: compared(name),
      passphraseHash,
      createdAt: new Date().toISOString(),
      failedTries: 0,
      waitUntil: null,
    };
    if (account.foldedName === '') throw new Problem(400, 'A name needs at least one letter.');
    await this.database.write(async (manager) => {
      const taken = await manager.findOneBy(AccountEntity, { foldedName: account.foldedName });
      if (taken) throw new Problem(409, 'That name is taken. Choose another, or sign in.');
      await manager.insert(AccountEntity, account);
    });
    return account;
  }

  /** The account a name and passphrase belong to. Too many wrong tries have to wait, each time longer. */
  async check(name: string, passphrase: string): Promise<Account> {
    const account = this.byName(name);
    if (!account) {
      await verify(await this.decoy, passphrase);
      throw wrong();
    }
    const wait = account.waitUntil ? Date.parse(account.waitUntil) - Date.now() : 0;
    if (wait > 0) {
      const seconds = Math.ceil(wait / 1000);
      throw new Problem(429, `Too many tries. Try again in ${seconds} seconds.`, { retryAfter: seconds });
    }
    const isRight = await verify(account.passphraseHash, passphrase);
    await this.database.write(async (manager) => {
      if (isRight) {
        if (account.failedTries > 0) {
          await manager.update(AccountEntity, { id: account.id }, { failedTries: 0, waitUntil: null });
        }
        return;
      }
      await manager.increment(AccountEntity, { id: account.id }, 'failedTries', 1);
      const { failedTries } = await manager.findOneByOrFail(AccountEntity, { id: account.id });
      if (failedTries > FREE_TRIES) {
        const seconds = Math.min(LONGEST_WAIT_SECONDS, FIRST_WAIT_SECONDS * 2 ** (failedTries - FREE_TRIES - 1));
        await manager.update(AccountEntity, { id: account.id }, { waitUntil: inFuture(seconds) });
      }
    });
    if (!isRight) throw wrong();
    return account;
  }

  byName(name: string): Account | undefined {
    return this.database.first<Account>('SELECT * FROM accounts WHERE foldedName = ?', compared(name));
  }

  /** Opens a session and returns what the cookie holds. */
  async openSession(accountId: string): Promise<{ token: string; expires: Date }> {
    const token = randomBytes(32).toString('base64url');
    const expiresAt = inFuture(SESSION_DAYS * 86_400);
    await this.database.write(async (manager) => {
      await manager
        .createQueryBuilder()
        .delete()
        .from(SessionEntity)
        .where('expiresAt < :now', { now: new Date().toISOString() })
        .execute();
      await manager.insert(SessionEntity, {
        id: tokenHash(token),
        accountId,
        createdAt: new Date().toISOString(),
        expiresAt,
      });
    });
    return { token, expires: new Date(expiresAt) };
  }

  /** The account a cookie's value stands for, if it still does. */
  bySession(token: string | undefined): { account: Account; session: Session } | null {
    if (!token) return null;
    const session = this.database.first<Session>('SELECT * FROM sessions WHERE id = ?', tokenHash(token));
    if (!session || session.expiresAt < new Date().toISOString()) return null;
    const account = this.database.first<Account>('SELECT * FROM accounts WHERE id = ?', session.accountId);
    return account ? { account, session } : null;
  }

  async closeSession(sessionId: string): Promise<void> {
    await this.database.write((manager) => manager.delete(SessionEntity, { id: sessionId }));
  }

  /** Changes the passphrase and ends every other session. */
  async changePassphrase(account: Account, sessionId: string, present: string, next: string): Promise<void> {
    await this.check(account.name, present);
    const passphraseHash = await hash(next, ARGON);
    await this.database.write(async (manager) => {
      await manager.update(AccountEntity, { id: account.id }, { passphraseHash });
      await manager
        .createQueryBuilder()
        .delete()
        .from(SessionEntity)
        .where('accountId = :accountId AND id != :sessionId', { accountId: account.id, sessionId })
        .execute();
    });
  }
}
