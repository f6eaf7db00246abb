import { Children, forwardRef, type KeyboardEvent, type MouseEvent, type ReactNode } from 'react';
import { look as lookOf } from './look';
import { pressedBySpaceBar } from './spaceBar';
import { WebPressable, type WebProps, type WebStyle } from './web';
import { Said } from './Words';

/** A press by the mouse, a finger or a key. */
type PressEvent = MouseEvent<HTMLElement> | KeyboardEvent<HTMLElement>;

interface TapProps extends Omit<WebProps, 'style' | 'onClick'> {
  /** Classes of the product’s sheets. */
  look?: string;
  style?: WebStyle;
  disabled?: boolean;
  onPress: (event: PressEvent) => void;
  children?: ReactNode;
}

/** Bare words stand in a part of their own: React Native lets none stand in a box. */
function lettered(children: ReactNode): ReactNode {
  const all = Children.toArray(children);
  const isBare = (child: ReactNode) => typeof child === 'string' || typeof child === 'number';
  if (all.length > 0 && all.every(isBare)) return <Said>{children}</Said>;
  return all.map((child, index) => (isBare(child) ? <Said key={index}>{child}</Said> : child));
}

/** Anything that is pressed, in a look of its own: by a tap, a click, Enter or the space bar. */
export const Tap = forwardRef<HTMLElement, TapProps>(function Tap(
  { look = '', style, children, role = 'button', onKeyDown, disabled, onPress, ...rest },
  ref,
) {
  const press = (event: PressEvent) => {
    if (!disabled) onPress(event);
  };
  return (
    <WebPressable
      ref={ref}
      role={role}
      disabled={disabled}
      onPress={onPress}
      onKeyDown={pressedBySpaceBar(role, press, onKeyDown)}
      {...rest}
      style={[lookOf(`kit-box kit-tap ${look}`), style]}
    >
      {lettered(children)}
    </WebPressable>
  );
});
