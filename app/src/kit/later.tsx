import { lazy, Suspense, useState, type ComponentType } from 'react';
import { Loading } from './Loading';

const idle: (work: () => void) => void = (work) =>
  'requestIdleCallback' in globalThis ? requestIdleCallback(work, { timeout: 8000 }) : setTimeout(work, 3000);

/**
 * A part that the first screen does not need: its code comes once that screen is at rest, or when it is asked for.
 *
 * `prepare` asks for it where it may be wanted in a moment.
 *
 * @param isQuiet whether nothing is shown while it comes, as for a sheet
 */
export function later<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  isQuiet = false,
): ComponentType<Props> & { prepare: () => void } {
  let present: ComponentType<Props> | null = null;
  const ask = async () => (present = await load());
  const prepare = () => void ask().catch(() => undefined);
  const Loaded = lazy(async () => ({ default: await ask() }));
  if (typeof document !== 'undefined') window.addEventListener('load', () => idle(prepare));
  const Later = (props: Props) => {
    // What is here already is shown at once: React holds what it has waited for back for a moment, 300 ms.
    const [Present] = useState(() => present);
    if (Present) return <Present {...props} />;
    return (
      <Suspense fallback={isQuiet ? null : <Loading />}>
        <Loaded {...props} />
      </Suspense>
    );
  };
  return Object.assign(Later, { prepare });
}
