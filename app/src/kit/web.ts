import type {
  AriaAttributes,
  CSSProperties,
  FocusEvent,
  ForwardRefExoticComponent,
  KeyboardEvent,
  MouseEvent,
  PointerEvent,
  ReactNode,
  RefAttributes,
} from 'react';
import { Pressable, Text, TextInput, View, type TextInputProps } from 'react-native';

/** A style on the web: what CSS knows, custom properties with it. */
export type WebStyle = CSSProperties | (CSSProperties & { [name: `--${string}`]: string });

/** What React Native’s parts take on the web and their types do not know. */
export interface WebProps extends AriaAttributes {
  id?: string;
  role?: string;
  dir?: 'auto' | 'ltr' | 'rtl';
  lang?: string;
  tabIndex?: 0 | -1;
  inert?: boolean;
  /** Written out as `data-…`; what is undefined is left out. */
  dataSet?: Record<string, string | number | boolean | undefined>;
  style?: unknown;
  children?: ReactNode;
  onClick?: (event: MouseEvent<HTMLElement>) => void;
  onContextMenu?: (event: MouseEvent<HTMLElement>) => void;
  onMouseEnter?: (event: MouseEvent<HTMLElement>) => void;
  onMouseLeave?: (event: MouseEvent<HTMLElement>) => void;
  onPointerEnter?: (event: PointerEvent<HTMLElement>) => void;
  onPointerMove?: (event: PointerEvent<HTMLElement>) => void;
  onPointerDown?: (event: PointerEvent<HTMLElement>) => void;
  onFocus?: (event: FocusEvent<HTMLElement>) => void;
  onBlur?: (event: FocusEvent<HTMLElement>) => void;
  onKeyDown?: (event: KeyboardEvent<HTMLElement>) => void;
}

interface LinkProps {
  href?: string;
  hrefAttrs?: { target?: string; rel?: string; download?: boolean };
}

interface PressProps extends Omit<WebProps, 'onClick'> {
  disabled?: boolean;
  onPress?: (event: MouseEvent<HTMLElement>) => void;
}

type OnWeb<Props> = ForwardRefExoticComponent<Props & RefAttributes<HTMLElement>>;

/** React Native’s own parts, by the types they have on the web. */
export const WebView = View as unknown as OnWeb<WebProps & LinkProps>;
export const WebText = Text as unknown as OnWeb<WebProps & LinkProps & { numberOfLines?: number }>;
export const WebPressable = Pressable as unknown as OnWeb<PressProps>;
export const WebTextInput = TextInput as unknown as ForwardRefExoticComponent<
  Omit<TextInputProps, 'style' | 'role' | 'onBlur' | 'onFocus'> &
    Omit<WebProps, 'children'> &
    RefAttributes<HTMLInputElement>
>;
