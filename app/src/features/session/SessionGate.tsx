import { useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { LocalStore } from '../../documents/localStore';
import { LibraryProvider } from '../../documents/session';
import { api, useOpenDemoMutation, useSessionQuery } from '../../state/api';
import { forgetDeeds } from '../../state/keptDeeds';
import { accountLeft, recallDeeds, store } from '../../state/store';
import type { AccountInfo } from '../../state/types';
import { besideOpened } from '../../state/view';
import { forgetVisited } from '../../screen/visited';
import { Loading } from '../../kit/Loading';
import { later } from '../../kit/later';
import { Trouble } from '../../kit/Trouble';
import { AccountContext } from '../../state/AccountContext';
import { useBegun } from './begin';
import { followZone } from './timeZone';
import { forgetAccount, hasSignedOut, rememberAccount, rememberedAccount } from '../../state/memory';

const SignIn = later(async () => (await import('./SignIn')).SignIn);

const ASK_AGAIN = 3000;
/** What was being typed goes to the outbox first, in milliseconds. */
const OUTBOX_FIRST = 300;

/** The session was ended, here or elsewhere: nothing of whoever was signed in stays for whoever signs in next. */
async function emptyFor(account: AccountInfo | null): Promise<void> {
  forgetAccount();
  if (!account) return;
  forgetVisited();
  store.dispatch(besideOpened(null));
  forgetDeeds(account.id);
  store.dispatch(accountLeft());
  // That nobody is signed in is known; it is asked for again only so that it is not forgotten with the rest.
  await store.dispatch(api.endpoints.session.initiate(undefined, { forceRefetch: true }));
  await new Promise((resolve) => setTimeout(resolve, OUTBOX_FIRST));
  await LocalStore.retire(account.id).catch(() => undefined);
}

/**
 * Whether what is first drawn stands. The router notes its place from what comes after that: with the screens drawn at
 * once it would keep the place without their keys, and Back would draw the whole app anew.
 */
function useStands(): boolean {
  const [stands, setStands] = useState(false);
  useLayoutEffect(() => setStands(true), []);
  return stands;
}

/** Shows the app to whoever is signed in, and the way in to everybody else. At any address. */
export function SessionGate({ children }: { children: ReactNode }) {
  const stands = useStands();
  const session = useSessionQuery(undefined, { skip: !useBegun() });
  const [openDemo] = useOpenDemoMutation();
  const { data, error, refetch } = session;
  const isDemo = data?.isDemo === true;
  const isOut = data?.account === null;
  const asked = useRef(false);

  useEffect(() => {
    if (isOut && isDemo && !hasSignedOut() && !asked.current) {
      asked.current = true;
      void openDemo()
        .unwrap()
        .catch(() => void refetch());
    }
  }, [isOut, isDemo, openDemo, refetch]);

  useEffect(() => {
    if (data?.account) {
      rememberAccount(data.account);
      recallDeeds(data.account.id);
    }
    if (isOut) void emptyFor(rememberedAccount());
  }, [data, isOut]);

  useEffect(() => {
    if (!error) return;
    const timer = setTimeout(() => void refetch(), ASK_AGAIN);
    return () => clearTimeout(timer);
  }, [error, refetch, session.fulfilledTimeStamp, session.isFetching]);

  const signedIn = data?.account?.id;
  useEffect(() => (signedIn ? followZone() : undefined), [signedIn]);

  const account: AccountInfo | null = data?.account ?? (error && !data ? rememberedAccount() : null);
  if (!stands) return null;
  if (account) {
    return (
      <AccountContext.Provider value={account}>
        <LibraryProvider key={account.id} accountId={account.id}>
          {children}
        </LibraryProvider>
      </AccountContext.Provider>
    );
  }
  if (error && !data) {
    return <Trouble title="Not reached" sentence="The server can’t be reached. It is asked again every few seconds." />;
  }
  if (!data || (isDemo && !hasSignedOut() && isOut)) return <Loading />;
  return <SignIn signUp={data.signUp ?? 'yes'} onDone={() => void refetch()} />;
}
