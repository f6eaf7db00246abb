/** Work on the thread that serves everybody is interrupted after so long, in milliseconds. */
const AT_MOST = 12;

/** Lets others be served now and then during long work: call it between its pieces. */
export function breathing(): () => Promise<void> {
  let since = performance.now();
  return async () => {
    if (performance.now() - since < AT_MOST) return;
    await new Promise<void>((resolve) => setImmediate(resolve));
    since = performance.now();
  };
}
