import ICAL from 'ical.js';

/** The components of a text in the form of RFC 5545 or RFC 6350 that are called so; null when it is none such. */
export function componentsIn(text: string, wanted: 'vcalendar' | 'vcard'): ICAL.Component[] | null {
  try {
    const parsed = ICAL.parse(text.trim()) as unknown[];
    const all = (Array.isArray(parsed[0]) ? parsed : [parsed]).map((each) => new ICAL.Component(each as never));
    return all.length > 0 && all.every(({ name }) => name === wanted) ? all : null;
  } catch {
    return null;
  }
}
