import { usePathname } from 'expo-router';
import { useEffect } from 'react';

/** The places this window has shown, latest first, each once. */
export interface VisitedPlace {
  address: string;
  title: string;
  /** ISO 8601. */
  at: string;
}

const KEY = 'glossarion-visited';
const KEPT = 60;
/** A screen names itself a moment after its address is shown. */
const TITLE_AFTER = 1200;

export function visitedPlaces(): VisitedPlace[] {
  try {
    return JSON.parse(sessionStorage.getItem(KEY) ?? '[]') as VisitedPlace[];
  } catch {
    return [];
  }
}

function note(address: string): void {
  const title = document.title.replace(/ · Glossarion$/u, '');
  const others = visitedPlaces().filter((place) => place.address !== address);
  const places = [{ address, title, at: new Date().toISOString() }, ...others].slice(0, KEPT);
  sessionStorage.setItem(KEY, JSON.stringify(places));
}

/** Notes each place that is shown for a moment, and again when it is left, by the name it then has. */
export function useVisited(): void {
  const path = usePathname();
  useEffect(() => {
    if (path === '/') return;
    const timer = setTimeout(() => note(path), TITLE_AFTER);
    return () => clearTimeout(timer);
  }, [path]);
}
