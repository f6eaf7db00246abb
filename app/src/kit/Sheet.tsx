import { useLayoutEffect, useRef, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { Pressable, ScrollView, View, useWindowDimensions } from 'react-native';
import { grown, useWindowWidth } from '../theme/rem';
import { colour, measure } from '../theme/tokens';
import { walkMenu } from './menuKeys';
import { useModal } from './useModal';
import { useSwipeDown } from './useSwipeDown';
import { Box } from './Box';
import { Words } from './Words';

interface SheetProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
}

/** A window of less height has no room above a sheet, in pixels. */
const LOW = 480;

/** Asks for something without leaving the screen: drawn up from the bottom on a phone, set in the middle on a wide screen. */
export function Sheet({ title, onClose, children }: SheetProps) {
  const width = useWindowWidth();
  const isWide = width >= measure.wide;
  // A phone held across.
  const isLow = useWindowDimensions().height < LOW;
  const dialog = useRef<View>(null);
  useModal(dialog, onClose);
  useSwipeDown(dialog, !isWide, onClose);
  useLayoutEffect(() => {
    const element = dialog.current as unknown as HTMLElement;
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.defaultPrevented || !walkMenu(element, event)) return;
      event.preventDefault();
      event.stopPropagation();
    };
    element.addEventListener('keydown', onKeyDown);
    return () => element.removeEventListener('keydown', onKeyDown);
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
        paddingTop: isWide ? (isLow ? 12 : 90) : 0,
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
          maxWidth: isWide ? grown(520) : undefined,
          maxHeight: isWide ? (isLow ? '96%' : '76%') : '82%',
          backgroundColor: colour.leaf,
          borderRadius: isWide ? 6 : 0,
          borderTopLeftRadius: isWide ? 6 : 14,
          borderTopRightRadius: isWide ? 6 : 14,
          boxShadow: `0 8px 32px ${colour.shadow}`,
        }}
      >
        {!isWide && <Box look="grab" aria-hidden />}
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
