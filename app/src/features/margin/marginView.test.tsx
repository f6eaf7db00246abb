import { act, renderHook } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { api } from '../../state/api';
import { store } from '../../state/store';
import { useMarginView } from './marginView';

const PAGE = '0197f1b2-0000-7000-8000-000000000001';

/** Node knows no address that others go by. */
class HereRequest extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://here.example').href : input, init);
  }
}

const sent: Request[] = [];
const Around = ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>;

beforeEach(() => {
  globalThis.Request = HereRequest;
  sent.length = 0;
  globalThis.fetch = (request) => {
    sent.push(request as Request);
    // Nothing is answered: the server is slow.
    return new Promise(() => undefined);
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
