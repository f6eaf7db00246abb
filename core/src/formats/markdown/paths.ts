/** How the names of files end that pages are read from. */
export const ENDING = /\.(?:page\.json|md|markdown|x?html?|txt|text)$/iu;

/** A file's name without its ending. */
export const nameOf = (path: string): string => stepsOf(path).pop()!.replace(ENDING, '');

export const stepsOf = (path: string): string[] =>
  path
    .replaceAll('\\', '/')
    .split('/')
    .filter((step) => step !== '' && step !== '.');

/** The path that an address names in a file: from the file's folder, or from the root. */
export function pathFrom(from: string, address: string): string {
  const steps = address.startsWith('/') ? [] : from.split('/').slice(0, -1);
  for (const step of address.split('/')) {
    if (step === '..') steps.pop();
    else if (step !== '.' && step !== '') steps.push(step);
  }
  return steps.join('/');
}
