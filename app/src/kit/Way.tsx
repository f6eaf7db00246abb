import { forwardRef, type MouseEvent, type PointerEvent } from 'react';
import { look as lookOf } from './look';
import { WebText, type WebProps, type WebStyle } from './web';

/** Whether a click asks for another tab or window, which is the browser’s to open. */
export const isForBrowser = (event: Pick<MouseEvent, 'metaKey' | 'ctrlKey' | 'button'>): boolean =>
  event.metaKey || event.ctrlKey || event.button === 1;

/** Does something in place of following a link, unless another tab or window was asked for. */
export const instead =
  (act: (event: MouseEvent<HTMLElement>) => void) =>
  (event: MouseEvent<HTMLElement>): void => {
    if (isForBrowser(event)) return;
    event.preventDefault();
    act(event);
  };

/** A link that leads out of the app: to the web, to a mail program, to a telephone. */
export const Outside = ({ address, children }: { address: string; children: string }) => (
  <WebText
    href={address}
    hrefAttrs={{ target: 'blank', rel: 'noopener noreferrer' }}
    dir="auto"
    style={lookOf('kit-words kit-way')}
  >
    {children}
  </WebText>
);

interface WayProps extends Omit<WebProps, 'style' | 'onClick'> {
  /** The address, which the browser shows and opens in another tab. */
  to: string;
  /** What opens it here. */
  onOpen: (event: MouseEvent<HTMLElement>) => void;
  look?: string;
  /** The whole of what is cut short here, shown to a pointer that rests. */
  tip?: string;
  style?: WebStyle;
}

/** A link within the app: opened here, in another tab when that is asked for. */
export const Way = forwardRef<HTMLElement, WayProps>(function Way({ to, onOpen, look = '', tip, style, ...rest }, ref) {
  const showTip = (event: PointerEvent<HTMLElement>) => {
    if (tip) event.currentTarget.title = tip;
  };
  return (
    <WebText
      ref={ref}
      href={to}
      onPointerEnter={showTip}
      {...rest}
      onClick={instead(onOpen)}
      style={[lookOf(`kit-words kit-way ${look}`), style]}
    />
  );
});
