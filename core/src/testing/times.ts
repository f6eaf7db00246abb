const MORE = Number(process.env.SOAK_TIMES ?? 1);

/** How often a random test runs, or how long it may take: as usual, or the multiple that `npm run soak` asks for. */
export const times = (usual: number): number => Math.ceil(usual * MORE);
