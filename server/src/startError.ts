/** Why the server can't be started: one sentence, told as it is, without a trace. */
export class StartError extends Error {
  override name = 'StartError';
}

/** Runs what a command does; ends it with the sentence alone when it can't be started. */
export async function orTell<T>(work: () => Promise<T> | T): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof StartError)) throw error;
    console.error(error.message);
    process.exit(1);
  }
}
