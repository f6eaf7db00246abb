/** The places this window has shown, latest first, each once. */
export interface VisitedPlace {
  address: string;
  title: string;
  /** ISO 8601. */
  at: string;
}

const KEY = 'glossarion-visited';
const KEPT = 60;
export function visitedPlaces(): VisitedPlace[] {
  try {
    return JSON.parse(sessionStorage.getItem(KEY) ?? '[]') as VisitedPlace[];
  } catch {
    return [];
  }
}

export const forgetVisited = (): void => sessionStorage.removeItem(KEY);

export function noteVisited(address: string, title: string): void {
  const others = visitedPlaces().filter((place) => place.address !== address);
  const places = [{ address, title, at: new Date().toISOString() }, ...others].slice(0, KEPT);
  sessionStorage.setItem(KEY, JSON.stringify(places));
}
