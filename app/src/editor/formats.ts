/** Reading and writing of other formats, which no first screen needs: fetched once the page is at rest. */
export type Formats = typeof import('./formatParts');

let loaded: Formats | null = null;
let loading: Promise<Formats> | null = null;

/** Fetches it; rejects when it can't be fetched, and tries again when it is asked anew. */
export function loadFormats(): Promise<Formats> {
  loading ??= import('./formatParts').then(
    (parts) => (loaded = parts),
    (error: unknown) => {
      loading = null;
      throw error;
    },
  );
  return loading;
}

/** What was fetched; null while it is on its way. A copy can't wait for it. */
export const formatsHere = (): Formats | null => loaded;
