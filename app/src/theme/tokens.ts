/** Every colour and measure of the product, in one place: the interface, the editor and the charts take theirs here. */

export type Mode = 'light' | 'dark';

const light = {
  ground: '#EDF0EA',
  leaf: '#FBFCF9',
  shelf: '#E2E7DF',
  ink: '#1C282C',
  soft: '#55646A',
  rule: '#D3DAD2',
  leader: '#9AA8A3',
  verdigris: '#0E6A5B',
  lapis: '#2A4A8C',
  vermilion: '#B5371F',
  ochre: '#835700',
  plum: '#6B3A63',
  slate: '#3F5866',
  /** The ground of what is brought forward or was kept. */
  parchment: '#F6F4E7',
  /** Highlighters, under ink. */
  washOchre: '#F1DDA0',
  washVerdigris: '#BFE3D6',
  washLapis: '#CCD8F2',
  washVermilion: '#F5CFC5',
  washPlum: '#E6D0E2',
  shadow: '#1C282C1F',
};

export type ColourName = keyof typeof light;

const dark: Record<ColourName, string> = {
  ground: '#141B1E',
  leaf: '#1B2427',
  shelf: '#101618',
  ink: '#E6EBE6',
  soft: '#9FB0B3',
  rule: '#2E3A3E',
  leader: '#566569',
  verdigris: '#63C6AF',
  lapis: '#9DB6F0',
  vermilion: '#F08A6F',
  ochre: '#D9A94A',
  plum: '#D3A0C9',
  slate: '#A8BFCB',
  parchment: '#26281F',
  washOchre: '#5B4A1E',
  washVerdigris: '#1F4D43',
  washLapis: '#2C3E66',
  washVermilion: '#63332A',
  washPlum: '#52374D',
  shadow: '#00000066',
};

export const palettes: Record<Mode, Record<ColourName, string>> = { light, dark };

/** Spines keep white lettering in both themes. */
const spines: Record<Mode, Record<'lapis' | 'verdigris' | 'vermilion' | 'ochre' | 'plum' | 'slate', string>> = {
  light: {
    lapis: light.lapis,
    verdigris: light.verdigris,
    vermilion: light.vermilion,
    ochre: light.ochre,
    plum: light.plum,
    slate: light.slate,
  },
  dark: {
    lapis: '#34549A',
    verdigris: '#17705F',
    vermilion: '#A8432D',
    ochre: '#855C10',
    plum: '#7A4871',
    slate: '#4A6473',
  },
};

export type SpineName = keyof (typeof spines)['light'];

/** A colour as a style value: it follows the theme without anything being drawn again. */
export const colour = Object.fromEntries(
  (Object.keys(light) as ColourName[]).map((name) => [name, `var(--${name})`]),
) as Record<ColourName, string>;

export const spine = (pigment: SpineName | null): string => `var(--spine-${pigment ?? 'slate'})`;

export const pigmentColour = (pigment: SpineName | null): string => (pigment ? colour[pigment] : colour.vermilion);

/** Lettering: the writing face for what the person wrote, the interface face for all else. */
export const face = {
  writing: "Alegreya, 'Noto Naskh Arabic', 'Noto Serif JP', 'Noto Sans Hebrew', serif",
  interface: "'Alegreya Sans', 'Noto Naskh Arabic', 'Noto Serif JP', 'Noto Sans Hebrew', sans-serif",
  capitals: "'Alegreya Sans SC', 'Alegreya Sans', sans-serif",
  code: "'JetBrains Mono', monospace",
};

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

const declarations = (mode: Mode): string =>
  [
    `color-scheme: ${mode};`,
    ...Object.entries(palettes[mode]).map(([name, value]) => `--${name}: ${value};`),
    ...Object.entries(spines[mode]).map(([name, value]) => `--spine-${name}: ${value};`),
  ].join(' ');

/** The variables of both themes. `data-theme` on the root decides; without it the system does. */
/** The colours of paper, for what is printed from a dark screen. */
export const paperColours = (): string => declarations('light');

export const themeSheet = (): string =>
  [
    `:root { ${declarations('light')} }`,
    `@media (prefers-color-scheme: dark) { :root:not([data-theme='light']) { ${declarations('dark')} } }`,
    `:root[data-theme='dark'] { ${declarations('dark')} }`,
    `body { background: var(--leaf); color: var(--ink); font: 17px/1.35 ${face.interface}; font-variant-numeric: oldstyle-nums; }`,
  ].join('\n');
