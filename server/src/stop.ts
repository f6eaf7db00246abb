import type { Running } from './start';

/** Ends in order when asked to: what was begun is finished, then the data is closed. */
export function stopOnSignal(running: Running): void {
  let isStopping = false;
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    process.on(signal, () => {
      if (isStopping) return;
      isStopping = true;
      void running.stop().then(() => process.exit(0));
    });
  }
}
