/** The name by which a day is looked up among what texts name. */
export const dayKey = (day: string): string => `day ${day}`;

/** The day that such a name is of; null when it is another name. */
export const dayOfKey = (name: string): string | null => /^day (\d{4}-\d{2}-\d{2})$/u.exec(name)?.[1] ?? null;
