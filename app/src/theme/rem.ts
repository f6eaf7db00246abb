import { useWindowDimensions } from 'react-native';

/**
 * The size of letters that all measures are meant at, in pixels. Whoever chose larger ones in their browser gets all of it
 * larger: letters, and the room around them.
 */
const MEANT_AT = 16;

/** A length that grows with the person's letters, from pixels as they are meant. */
export const rem = (pixels: number): string => `${pixels / MEANT_AT}rem`;

/** The same where React Native's types know numbers only. */
export const grown = (pixels: number): number => rem(pixels) as unknown as number;

/** A sheet whose pixels grow with the person's letters; in a query of media they are counted in the browser's own. */
export const inRem = (sheet: string): string =>
  sheet
    .split(/(@media[^{]*)/u)
    .map((part) =>
      part.replace(/(?<![\w#-])(-?\d*\.?\d+)px\b/gu, (_match, pixels: string) =>
        part.startsWith('@media') ? `${Number(pixels) / MEANT_AT}em` : rem(Number(pixels)),
      ),
    )
    .join('');

/** How large the person's letters are, as a ratio to what is meant. */
const growth = (): number =>
  typeof document === 'undefined'
    ? 1
    : (parseFloat(getComputedStyle(document.documentElement).fontSize) || MEANT_AT) / MEANT_AT;

/** How many of the window's pixels a length takes that is meant to be so many. */
export const inPixels = (meant: number): number => meant * growth();

/** The width of the window in pixels as they are meant: larger letters leave less room. */
export const windowWidth = (): number => window.innerWidth / growth();

/** The same, drawn anew when it changes. */
export const useWindowWidth = (): number => useWindowDimensions().width / growth();
