import type { Running } from './start';

/** Ends in order when asked to: what was begun is finished, then the data is closed. */
export function stopOnSignal(running: Running): void {
  let isStopping = false;
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    process.on(signal, () => {
      if (isStopping) return;
      isStopping = true;
      running.stop().then(
        () => process.exit(0),
        (error: unknown) => {
          running.services.log.error(error, 'the server could not be stopped in order');
          process.exit(1);
        },
      );
    });
  }
}
