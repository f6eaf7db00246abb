import { lazy, Suspense, type ComponentType } from 'react';
import { Loading } from './Loading';

const idle: (work: () => void) => void = (work) =>
  'requestIdleCallback' in globalThis ? requestIdleCallback(work, { timeout: 8000 }) : setTimeout(work, 3000);

/**
 * A part that the first screen does not need: its code comes once that screen is at rest, or when it is asked for.
 *
 * @param isQuiet whether nothing is shown while it comes, as for a sheet
 */
export function later<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  isQuiet = false,
): ComponentType<Props> {
  const Loaded = lazy(async () => ({ default: await load() }));
  if (typeof document !== 'undefined')
    window.addEventListener('load', () => idle(() => void load().catch(() => undefined)));
  const Later = (props: Props) => (
    <Suspense fallback={isQuiet ? null : <Loading />}>
      <Loaded {...props} />
    </Suspense>
  );
  return Later;
}
