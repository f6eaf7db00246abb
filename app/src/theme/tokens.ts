/** Every colour and measure of the product, in one place: the interface, the editor and the charts take theirs here. */

import { declarations, face, palettes, spines, type ColourName } from '@glossarion/core/palette';

export { face, palettes, type ColourName, type Mode } from '@glossarion/core/palette';

export type SpineName = keyof (typeof spines)['light'];

/** A colour as a style value: it follows the theme without anything being drawn again. */
export const colour = Object.fromEntries(
  (Object.keys(palettes.light) as ColourName[]).map((name) => [name, `var(--${name})`]),
) as Record<ColourName, string>;

export const spine = (pigment: SpineName | null): string => `var(--spine-${pigment ?? 'slate'})`;

export const pigmentColour = (pigment: SpineName | null): string => (pigment ? colour[pigment] : colour.vermilion);

export const measure = {
  rail: 176,
  contents: 236,
  margin: 276,
  /** What stands beside a day. */
  daySide: 330,
  bar: 64,
  touch: 44,
  /** From this width of the window on there is a rail. */
  wide: 720,
  /** The least a page, or each of two, needs with its edges, so that a line has 55 characters. */
  column: 560,
  besideColumn: 510,
  /** The widest a line of text gets, in pixels. */
  line: 640,
};

/** The colours of paper, for what is printed from a dark screen. */
export const paperColours = (): string => declarations('light');

/** The variables of both themes. `data-theme` on the root decides; without it the system does. */
export const themeSheet = (): string =>
  [
    `:root { ${declarations('light')} }`,
    `@media (prefers-color-scheme: dark) { :root:not([data-theme='light']) { ${declarations('dark')} } }`,
    `:root[data-theme='dark'] { ${declarations('dark')} }`,
    `body { background: var(--leaf); color: var(--ink); font: 17px/1.35 ${face.interface}; font-variant-numeric: oldstyle-nums; }`,
  ].join('\n');
