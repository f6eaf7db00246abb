import { whenAtRest } from '../../kit/atRest';

function addSheet(address: string): void {
  const link = document.createElement('link');
  link.rel = 'stylesheet';
  link.href = address;
  document.head.append(link);
}

/**
 * Names the faces that the product is set in, without the first paint waiting for their sheet, which is on its way
 * already; then those of other scripts, whose files come when a character of theirs is met.
 */
export function layOutFaces(): void {
  const faces = document.querySelector<HTMLMetaElement>('meta[name=faces]');
  if (!faces) return;
  addSheet(faces.content);
  whenAtRest(() => faces.dataset.scripts && addSheet(faces.dataset.scripts));
}
