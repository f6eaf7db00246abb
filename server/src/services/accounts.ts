import { hash, verify } from '@node-rs/argon2';
import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { newId } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/words';
import { LessThan, MoreThanOrEqual } from 'typeorm';
import type { Viewer } from '../access';
import type { Config } from '../config';
import type { Database } from '../database/database';
import { AccountEntity, GrantEntity, SessionEntity, type Account, type Session } from '../entities';
import { Problem } from '../problem';

/** Whose account the demo shows. */
export const DEMO_NAME = 'Ines Varga-Holt';

const SESSION_DAYS = 60;
/** Tries that are free of waiting; after each further one the wait doubles. */
const FREE_TRIES = 4;
const FIRST_WAIT_SECONDS = 5;
const LONGEST_WAIT_SECONDS = 15 * 60;
/** Names that no account has are remembered for their tries, so many at most. */
const UNKNOWN_NAMES = 10_000;

/** Argon2id with the least settings OWASP's password storage sheet asks for (19 MiB, 2 passes). */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');
const inFuture = (seconds: number): string => new Date(Date.now() + seconds * 1000).toISOString();
/** Names that differ in case, accents or spaces only are one name. */
const compared = (name: string): string => foldWords(name).replace(/\s+/gu, ' ').trim();

const wrong = (): Problem => new Problem(401, 'The name or the passphrase is not right.');

/** What a wrong try costs: from a number on, each makes the next wait twice as long. */
function waitAfter(tries: number): string | null {
  if (tries <= FREE_TRIES) return null;
  return inFuture(Math.min(LONGEST_WAIT_SECONDS, FIRST_WAIT_SECONDS * 2 ** (tries - FREE_TRIES - 1)));
}

function refuseWithin(waitUntil: string | null): void {
  const wait = waitUntil ? Date.parse(waitUntil) - Date.now() : 0;
  if (wait <= 0) return;
  const seconds = Math.ceil(wait / 1000);
  throw new Problem(429, `Too many tries. Try again in ${seconds} seconds.`, { retryAfter: seconds });
}

/** Somebody who is signed in. */
export interface SignedIn {
  account: Account;
  session: Session;
  viewer: Viewer;
}

/** Accounts and their sessions. */
export class Accounts {
  /** Checked against when there is no such account, so that both answers take as long. */
  private decoy = hash('no such account', ARGON);
  private endings = new Set<(sessionIds: ReadonlySet<string>) => void>();
  /** Wrong tries within an open session; a stranger's tries at the way in do not count here, nor the other way round. */
  private within = new Map<string, { tries: number; waitUntil: string | null }>();
  /** Who is signed in, as long as nothing is stored: every request asks. */
  private known: { state: number; sessions: Map<string, SignedIn> } | undefined;
  /** Tries at names that no account has. */
  private unknown = new Map<string, { tries: number; waitUntil: string | null }>();

  constructor(
    private database: Database,
    private signUp: Pick<Config, 'signUp' | 'invitation'> = { signUp: 'open', invitation: null },
  ) {}

  /** Calls `ending` with the sessions that were just ended. */
  onEnded(ending: (sessionIds: ReadonlySet<string>) => void): () => void {
    this.endings.add(ending);
    return () => this.endings.delete(ending);
  }

  /** Whether somebody who is not signed in may make an account, with an invitation or without. */
  async mayMake(): Promise<'yes' | 'with an invitation' | 'no'> {
    if (this.signUp.signUp === 'invitation') return 'with an invitation';
    if (this.signUp.signUp === 'open') return 'yes';
    return (await this.database.manager.exists(AccountEntity)) ? 'no' : 'yes';
  }

  /** Makes an account for somebody who asks for one. */
  async signUpAs(name: string, passphrase: string, invitation: string): Promise<Account> {
    const may = await this.mayMake();
    if (may === 'no') throw closed();
    if (may === 'with an invitation' && !isSame(invitation, this.signUp.invitation ?? '')) {
      throw new Problem(403, 'Accounts are made by invitation here, and that is not the invitation.');
    }
    return this.make(name, passphrase, newId(), this.signUp.signUp === 'first');
  }

  /** @param isFirst whether it may only be made while there is no other */
  async make(name: string, passphrase: string, id = newId(), isFirst = false): Promise<Account> {
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
      if (isFirst && (await manager.count(AccountEntity)) > 0) throw closed();
      const taken = await manager.findOneBy(AccountEntity, { foldedName: account.foldedName });
      if (taken) throw new Problem(409, 'That name is taken. Choose another, or sign in.');
      await manager.insert(AccountEntity, account);
    });
    await this.database.markAccounts();
    return account;
  }

  /** The account a name and passphrase belong to. Too many wrong tries have to wait, each time longer. */
  async check(name: string, passphrase: string): Promise<Account> {
    const account = await this.byName(name);
    if (!account) {
      // A name that is not there is answered, and waits, as one that is.
      const { tries, waitUntil } = this.unknown.get(compared(name)) ?? { tries: 0, waitUntil: null };
      refuseWithin(waitUntil);
      if (this.unknown.size >= UNKNOWN_NAMES) this.unknown.delete(this.unknown.keys().next().value!);
      this.unknown.set(compared(name), { tries: tries + 1, waitUntil: waitAfter(tries + 1) });
      await verify(await this.decoy, passphrase);
      throw wrong();
    }
    // The try counts before it is looked at, so that many at once are no more than many in turn.
    await this.database.write(async (manager) => {
      const { failedTries, waitUntil } = await manager.findOneByOrFail(AccountEntity, { id: account.id });
      refuseWithin(waitUntil);
      const tries = failedTries + 1;
      await manager.update(AccountEntity, { id: account.id }, { failedTries: tries, waitUntil: waitAfter(tries) });
    });
    if (!(await verify(account.passphraseHash, passphrase))) throw wrong();
    await this.database.write((manager) =>
      manager.update(AccountEntity, { id: account.id }, { failedTries: 0, waitUntil: null }),
    );
    return account;
  }

  byName(name: string): Promise<Account | null> {
    return this.database.manager.findOneBy(AccountEntity, { foldedName: compared(name) });
  }

  /** Opens a session and returns what the cookie holds. */
  async openSession(accountId: string): Promise<{ token: string; expires: Date }> {
    const token = randomBytes(32).toString('base64url');
    const expiresAt = inFuture(SESSION_DAYS * 86_400);
    await this.database.write(async (manager) => {
      await manager.delete(SessionEntity, { expiresAt: LessThan(new Date().toISOString()) });
      await manager.insert(SessionEntity, {
        id: tokenHash(token),
        accountId,
        createdAt: new Date().toISOString(),
        expiresAt,
      });
    });
    return { token, expires: new Date(expiresAt) };
  }

  /** Whoever a cookie's value stands for, if it still does. */
  async bySession(token: string | undefined): Promise<SignedIn | null> {
    if (!token) return null;
    const id = tokenHash(token);
    const state = this.database.seenState();
    const present = this.known?.state === state ? this.known.sessions.get(id) : undefined;
    const signedIn = present ?? (await this.readSession(id));
    if (!signedIn || signedIn.session.expiresAt < new Date().toISOString()) return null;
    if (this.known?.state !== state) this.known = { state, sessions: new Map() };
    this.known.sessions.set(id, signedIn);
    return signedIn;
  }

  private async readSession(id: string): Promise<SignedIn | null> {
    const { manager } = this.database;
    const session = await manager.findOneBy(SessionEntity, { id });
    const account = session && (await manager.findOneBy(AccountEntity, { id: session.accountId }));
    return account && { account, session, viewer: await this.viewerOf(account.id) };
  }

  /** An account as it looks at what is its own and what was granted to it. */
  async viewerOf(accountId: string): Promise<Viewer> {
    return { accountId, hasGrants: await this.database.manager.existsBy(GrantEntity, { accountId }) };
  }

  /** Whether a session is still open. */
  async isOpen(sessionId: string): Promise<boolean> {
    const now = new Date().toISOString();
    return this.database.manager.existsBy(SessionEntity, { id: sessionId, expiresAt: MoreThanOrEqual(now) });
  }

  async closeSession(sessionId: string): Promise<void> {
    await this.database.write((manager) => manager.delete(SessionEntity, { id: sessionId }));
    this.tellEnded([sessionId]);
  }

  /** Changes the passphrase and ends every other session. */
  async changePassphrase(account: Account, sessionId: string, present: string, next: string): Promise<void> {
    const { tries, waitUntil } = this.within.get(sessionId) ?? { tries: 0, waitUntil: null };
    refuseWithin(waitUntil);
    this.within.set(sessionId, { tries: tries + 1, waitUntil: waitAfter(tries + 1) });
    if (!(await verify(account.passphraseHash, present))) {
      throw new Problem(401, 'The present passphrase is not right. Nothing was changed.');
    }
    this.within.delete(sessionId);
    const passphraseHash = await hash(next, ARGON);
    const others = await this.database.write(async (manager) => {
      await manager.update(AccountEntity, { id: account.id }, { passphraseHash, failedTries: 0, waitUntil: null });
      const sessions = await manager.findBy(SessionEntity, { accountId: account.id });
      const ids = sessions.map(({ id }) => id).filter((id) => id !== sessionId);
      for (const id of ids) await manager.delete(SessionEntity, { id });
      return ids;
    });
    this.tellEnded(others);
  }

  private tellEnded(ids: readonly string[]): void {
    for (const id of ids) this.within.delete(id);
    for (const ending of this.endings) ending(new Set(ids));
  }
}

const closed = (): Problem => new Problem(403, 'No more accounts are made here. Sign in to the one that is there.');

/** Whether two secrets are one, in a time that does not tell where they differ. */
const isSame = (one: string, other: string): boolean =>
  timingSafeEqual(createHash('sha256').update(one).digest(), createHash('sha256').update(other).digest());
