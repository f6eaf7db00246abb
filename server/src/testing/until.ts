/** Waits until something holds; throws when it does not within so many milliseconds, so that no test waits for ever. */
export async function until(holds: () => boolean, within = 15_000): Promise<void> {
  const end = Date.now() + within;
  while (!holds()) {
    if (Date.now() > end) throw new Error(`waited ${within} ms in vain for ${holds.toString()}`);
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
}
