/** The colours and the lettering of the product, for all that shows notes: the app, what is printed, and what is taken out. */

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
export const spines: Record<Mode, Record<'lapis' | 'verdigris' | 'vermilion' | 'ochre' | 'plum' | 'slate', string>> = {
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

/** Lettering: the writing face for what the person wrote, the interface face for all else. */
export const face = {
  writing: "Alegreya, 'Noto Naskh Arabic', 'Noto Serif JP', 'Noto Sans Hebrew', serif",
  interface: "'Alegreya Sans', 'Noto Naskh Arabic', 'Noto Serif JP', 'Noto Sans Hebrew', sans-serif",
  capitals: "'Alegreya Sans SC', 'Alegreya Sans', sans-serif",
  code: "'JetBrains Mono', monospace",
};

/** The variables of a theme in CSS. */
export const declarations = (mode: Mode): string =>
  [
    `color-scheme: ${mode};`,
    ...Object.entries(palettes[mode]).map(([name, value]) => `--${name}: ${value};`),
    ...Object.entries(spines[mode]).map(([name, value]) => `--spine-${name}: ${value};`),
  ].join(' ');
