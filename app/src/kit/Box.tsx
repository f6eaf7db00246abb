import { forwardRef } from 'react';
import { look as lookOf } from './look';
import { WebView, type WebProps, type WebStyle } from './web';

export interface BoxProps extends Omit<WebProps, 'style'> {
  /** Classes of the product’s sheets. */
  look?: string;
  style?: WebStyle;
}

/** Something that holds others: by its role a region, a list, a line of one, a tree, or nothing of its own. */
export const Box = forwardRef<HTMLElement, BoxProps>(function Box({ look = '', style, ...rest }, ref) {
  return <WebView ref={ref} {...rest} style={[lookOf(`kit-box ${look}`), style]} />;
});
