/** How rows of a measurement are taken and said: each as a ratio to its anchor, in one run. */

export const time = (work: () => unknown): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};

export const timeAsync = async (work: () => Promise<unknown>): Promise<number> => {
  const start = performance.now();
  await work();
  return performance.now() - start;
};

export const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

export const percentile = (values: readonly number[], share: number): number =>
  [...values].sort((one, other) => one - other)[Math.min(values.length - 1, Math.floor(values.length * share))]!;

export const median = (values: readonly number[]): number => percentile(values, 0.5);

export function say(row: string, scale: string, ratio: number, bound: number, more = ''): void {
  const within = ratio <= bound ? 'within' : 'OVER';
  console.log(
    `${row.padEnd(38)} ${scale.padStart(12)}  ${ratio.toFixed(2).padStart(6)}×  ${within} ${bound}×  ${more}`,
  );
}
