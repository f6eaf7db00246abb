/** "1 page", "3 pages". */
export const count = (number: number, what: string): string => `${number} ${what}${number === 1 ? '' : 's'}`;
