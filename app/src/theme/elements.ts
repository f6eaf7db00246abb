import { createTheme } from '@rneui/themed';
import { grown } from './rem';
import { face, measure, palettes, type Mode } from './tokens';

/** React Native Elements in the product's colours and lettering. It computes with colours, so it is given real ones. */
export function elementsTheme(mode: Mode) {
  const colours = (of: Mode) => ({
    primary: palettes[of].lapis,
    secondary: palettes[of].verdigris,
    background: palettes[of].leaf,
    white: palettes[of].leaf,
    black: palettes[of].ink,
    grey0: palettes[of].ink,
    grey1: palettes[of].soft,
    grey2: palettes[of].soft,
    grey3: palettes[of].soft,
    grey4: palettes[of].rule,
    grey5: palettes[of].ground,
    error: palettes[of].vermilion,
    success: palettes[of].verdigris,
    warning: palettes[of].ochre,
    divider: palettes[of].rule,
  });
  const palette = palettes[mode];
  return createTheme({
    mode,
    lightColors: colours('light'),
    darkColors: colours('dark'),
    components: {
      Button: {
        buttonStyle: { minHeight: measure.touch, borderRadius: 4, paddingHorizontal: 16 },
        titleStyle: {
          fontFamily: face.interface,
          fontSize: grown(17),
          fontWeight: '500',
          color: mode === 'dark' ? palette.ground : '#fff',
        },
        disabledStyle: { backgroundColor: palette.rule },
      },
      Input: {
        inputStyle: {
          minWidth: 0,
          minHeight: measure.touch,
          fontFamily: face.interface,
          fontSize: grown(18),
          color: palette.ink,
        },
        labelStyle: { fontFamily: face.interface, fontSize: grown(15), fontWeight: '500', color: palette.soft },
        errorStyle: { fontFamily: face.interface, fontSize: grown(15), color: palette.vermilion, marginHorizontal: 0 },
        inputContainerStyle: { borderBottomColor: palette.soft, minHeight: measure.touch },
        containerStyle: { paddingHorizontal: 0 },
      },
      BottomSheet: { backdropStyle: { backgroundColor: palette.shadow } },
    },
  });
}
