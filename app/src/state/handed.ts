/** Files that were picked on one screen, for another that takes them in. */
let handed: readonly File[] = [];

export const handFiles = (files: readonly File[]): void => void (handed = files);

/** What was handed over, once. */
export function takeHanded(): readonly File[] {
  const files = handed;
  handed = [];
  return files;
}
