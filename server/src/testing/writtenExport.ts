import { newId } from '@glossarion/core/document';
import type { ExportForm, Work } from '@glossarion/core/works';
import type { Viewer } from '../access';
import type { TestedServer } from './makeServer';

/** Where tests say that the product is served. */
export const ORIGIN = 'https://notes.example';

/** Writes what somebody has, and gives where the file is. */
export async function written(
  { services }: TestedServer,
  viewer: Viewer,
  of: string | null = null,
  form: ExportForm = 'markdown',
  find?: string,
): Promise<string> {
  const { exports: writing, works } = services;
  const id = newId();
  writing.begin(viewer, { of, find }, id, form, ORIGIN);
  const work = await ended(() => works.of(viewer, id));
  expect(work.problem).toBeNull();
  return works.pathOf(id);
}

/** Waits until a work has ended. */
export async function ended(look: () => Work): Promise<Work> {
  for (;;) {
    const work = look();
    if (work.state !== 'running') return work;
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
}
