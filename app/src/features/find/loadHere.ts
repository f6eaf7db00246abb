/** Fetches what searches the pages that this browser keeps. */
export const loadHere = () => import('./here');
