import { useEffect, useRef, useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { Pressable, ScrollView, View, useWindowDimensions } from 'react-native';
import { colour, measure } from '../../theme/tokens';
import { Words } from './Words';

interface SheetProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
}

/** Asks for something without leaving the screen: drawn up from the bottom on a phone, set in the middle on a wide screen. */
export function Sheet({ title, onClose, children }: SheetProps) {
  const { width } = useWindowDimensions();
  const isWide = width >= measure.wide;
  const dialog = useRef<View>(null);
  // Taken while drawing, before a field of the sheet takes the focus.
  const [before] = useState(() => document.activeElement as HTMLElement | null);

  useEffect(() => {
    const element = dialog.current as unknown as HTMLElement | null;
    if (element && !element.contains(document.activeElement)) {
      (element.querySelector<HTMLElement>('input, textarea') ?? element).focus();
    }
    const close = (event: KeyboardEvent) => {
      if (event.key === 'Escape') {
        event.stopPropagation();
        onClose();
      }
      if (event.key === 'Tab' && element) keepWithin(element, event);
    };
    document.addEventListener('keydown', close, true);
    return () => {
      document.removeEventListener('keydown', close, true);
      if (before?.isConnected) before.focus();
    };
    // The sheet is opened once; a new onClose of the same sheet changes nothing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  // Beside everything else, so that nothing of the screen lies over it.
  return createPortal(
    <View
      style={{
        position: 'fixed' as 'absolute',
        inset: 0,
        zIndex: 40,
        justifyContent: isWide ? 'flex-start' : 'flex-end',
        alignItems: 'center',
        paddingTop: isWide ? 90 : 0,
      }}
    >
      <Pressable
        aria-hidden
        tabIndex={-1}
        onPress={onClose}
        style={{ position: 'absolute', inset: 0, backgroundColor: colour.shadow }}
      />
      <View
        ref={dialog}
        role="dialog"
        aria-modal
        aria-label={title}
        tabIndex={-1}
        style={{
          width: '100%',
          maxWidth: isWide ? 520 : undefined,
          maxHeight: isWide ? '76%' : '82%',
          backgroundColor: colour.leaf,
          borderRadius: isWide ? 6 : 0,
          borderTopLeftRadius: isWide ? 6 : 14,
          borderTopRightRadius: isWide ? 6 : 14,
          boxShadow: `0 8px 32px ${colour.shadow}`,
        }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'center', paddingLeft: 20, paddingRight: 8, paddingTop: 8 }}>
          <Words face="writing" size={21} weight="700" style={{ flex: 1 }} role="heading" aria-level={2}>
            {title}
          </Words>
          <Pressable
            role="button"
            onPress={onClose}
            style={{
              minHeight: measure.touch,
              minWidth: measure.touch,
              justifyContent: 'center',
              paddingHorizontal: 12,
            }}
          >
            <Words tone={colour.soft}>Close</Words>
          </Pressable>
        </View>
        <ScrollView
          tabIndex={0}
          contentContainerStyle={{ paddingHorizontal: 20, paddingBottom: 24, paddingTop: 4 }}
          keyboardShouldPersistTaps="handled"
        >
          {children}
        </ScrollView>
      </View>
    </View>,
    document.body,
  );
}

function keepWithin(element: HTMLElement, event: KeyboardEvent): void {
  const inside = [...element.querySelectorAll<HTMLElement>('a[href], button, input, textarea, [tabindex="0"]')].filter(
    (each) => !each.hasAttribute('disabled') && each.tabIndex >= 0,
  );
  const first = inside[0];
  const last = inside[inside.length - 1];
  if (!first || !last) return;
  if (event.shiftKey && document.activeElement === first) {
    event.preventDefault();
    last.focus();
  } else if (!event.shiftKey && document.activeElement === last) {
    event.preventDefault();
    first.focus();
  }
}
