import { act, renderHook } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { api } from '../../state/api';
import { store } from '../../state/store';
import { useMarginView } from './marginView';

const PAGES = ['0197f1b2-0000-7000-8000-000000000002', '0197f1b2-0000-7000-8000-000000000003'] as const;
const PAGE = '0197f1b2-0000-7000-8000-000000000001';

/** Node knows no address that others go by. */
class HereRequest extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://here.example').href : input, init);
  }
}

const sent: Request[] = [];
const Around = ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>;

/** What the server says of the settings; what is put there is answered when a test says so. */
let settings: object | null = null;
let answerPuts: (() => void)[] = [];

beforeEach(() => {
  store.dispatch(api.util.resetApiState());
  settings = null;
  answerPuts = [];
  globalThis.Request = HereRequest;
  sent.length = 0;
  globalThis.fetch = (request) => {
    sent.push(request as Request);
    const { method } = request as Request;
    if (method === 'GET' && settings) return Promise.resolve(Response.json(settings));
    // The server is slow.
    return new Promise((resolve) => {
      if (method === 'PUT') answerPuts.push(() => resolve(new Response(null, { status: 204 })));
    });
  };
});

afterAll(() => void store.dispatch(api.util.resetApiState()));

test('L9 what is chosen is sent at once, though what was chosen before is under way, and outlives a reload', async () => {
  const { result } = renderHook(() => useMarginView(PAGE), { wrapper: Around });
  await act(async () => {
    result.current[1]({ isFolded: true });
    result.current[1]({ isHidden: true });
    await Promise.resolve();
  });
  expect(result.current[0]).toEqual({ isFolded: true, isHidden: true });
  const changes = sent.filter(({ method }) => method === 'PUT');
  expect(changes).toHaveLength(2);
  expect(changes.every(({ keepalive, url }) => keepalive && url.endsWith(`/settings/margins/${PAGE}`))).toBe(true);
  expect(await changes[1]!.json()).toEqual({ isFolded: true, isHidden: true });
});

test('L9 what is chosen while the server is slow goes on from what was chosen before, though all was drawn anew', async () => {
  const [page] = PAGES;
  settings = { margins: { [page]: { notebook: 'journal' } } };
  await store.dispatch(api.endpoints.settings.initiate(undefined, { forceRefetch: true }));
  const first = renderHook(() => useMarginView(page), { wrapper: Around });
  expect(first.result.current[0]).toEqual({ notebook: 'journal' });
  act(() => first.result.current[1]({ notebook: null }));
  expect(first.result.current[0]).toEqual({});
  first.unmount();
  const { result } = renderHook(() => useMarginView(page), { wrapper: Around });
  expect(result.current[0]).toEqual({});
  act(() => result.current[1]({ tag: 'urgent' }));
  expect(result.current[0]).toEqual({ tag: 'urgent' });
  await act(() => Promise.resolve());
  expect(await sent.filter(({ method }) => method === 'PUT')[1]!.json()).toEqual({ tag: 'urgent' });
});

test('L9 what is chosen holds however slow the server is, and gives way to what another window says later', async () => {
  jest.useFakeTimers();
  try {
    const [, page] = PAGES;
    settings = { margins: { [page]: { notebook: 'journal' } } };
    await act(() => store.dispatch(api.endpoints.settings.initiate(undefined, { forceRefetch: true })));
    const { result } = renderHook(() => useMarginView(page), { wrapper: Around });
    act(() => result.current[1]({ notebook: null }));
    await act(() => jest.advanceTimersByTimeAsync(60_000));
    expect(result.current[0]).toEqual({});
    settings = { margins: {} };
    answerPuts.forEach((answer) => answer());
    await act(() => jest.advanceTimersByTimeAsync(2_000));
    expect(result.current[0]).toEqual({});
    settings = { margins: { [page]: { isFolded: true } } };
    await act(() => store.dispatch(api.endpoints.settings.initiate(undefined, { forceRefetch: true })));
    await act(() => jest.advanceTimersByTimeAsync(100));
    expect(result.current[0]).toEqual({ isFolded: true });
  } finally {
    jest.useRealTimers();
  }
});
