import type { StyleProp, ViewStyle } from 'react-native';

const known = new Map<string, StyleProp<ViewStyle>>();

/**
 * Classes of the product's style sheets as a style of React Native’s parts, which is how React Native Web takes rules
 * that were laid out elsewhere: `$$css` marks an object whose values are class names. A sheet says what a style object
 * can’t: what is pointed at, what a wide screen changes, what stands before and after.
 *
 * @param classes one or more class names with spaces between
 */
export function look(classes: string): StyleProp<ViewStyle> {
  let style = known.get(classes);
  if (!style) {
    style = { $$css: true, [classes]: classes } as never;
    known.set(classes, style);
  }
  return style;
}
