import { palettes, themeSheet, type ColourName } from './tokens';

/** Contrast of two colours by WCAG 2.2. */
function contrast(one: string, other: string): number {
  const luminance = (hex: string) => {
    const [red, green, blue] = [1, 3, 5].map((place) => {
      const channel = parseInt(hex.slice(place, place + 2), 16) / 255;
      return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!;
  };
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a);
  return (light! + 0.05) / (dark! + 0.05);
}

const words: ColourName[] = ['ink', 'soft', 'verdigris', 'lapis', 'vermilion', 'ochre', 'plum', 'slate'];
const grounds: ColourName[] = ['ground', 'leaf', 'shelf'];

test.each(['light', 'dark'] as const)('every lettering colour stands out 4.5 to 1 on every ground, %s', (mode) => {
  const weak = words.flatMap((word) =>
    grounds
      .map((ground) => ({ word, ground, ratio: contrast(palettes[mode][word], palettes[mode][ground]) }))
      .filter(({ ratio }) => ratio < 4.5),
  );
  expect(weak).toEqual([]);
});

test('highlighters keep ink readable', () => {
  for (const mode of ['light', 'dark'] as const) {
    for (const wash of ['washOchre', 'washVerdigris', 'washLapis', 'washVermilion', 'washPlum'] as const) {
      expect(contrast(palettes[mode].ink, palettes[mode][wash])).toBeGreaterThan(4.5);
    }
  }
});

test('the sheet follows the system unless a theme was chosen', () => {
  expect(themeSheet()).toContain(":root:not([data-theme='light'])");
  expect(themeSheet()).toContain(":root[data-theme='dark']");
});
