import { usePathname } from 'expo-router';
import { useEffect, type ReactNode } from 'react';
import { useWindowWidth } from '../theme/rem';
import { colour, measure } from '../theme/tokens';
import { useScrollMemory } from './scrollMemory';
import { reachRest } from '../kit/atRest';
import { Box } from '../kit/Box';

interface ScreenProps {
  children: ReactNode;
  label: string;
  tone?: string;
  /** Whether there is a text to write in, which is to come first. */
  hasText?: boolean;
}

/** The scrolled part of a screen. */
export function Screen({ children, label, tone = colour.leaf, hasText = false }: ScreenProps) {
  const width = useWindowWidth();
  const element = useScrollMemory(usePathname());
  useEffect(() => {
    if (!hasText) reachRest();
  }, [hasText]);
  const foot = width < measure.wide ? measure.bar + 24 : 60;
  return (
    <Box
      role="main"
      ref={element}
      id="main"
      aria-label={label}
      tabIndex={-1}
      style={{
        flex: 1,
        minWidth: 0,
        height: '100%',
        overflowY: 'auto',
        background: tone,
        outline: 'none',
        position: 'relative',
        scrollPaddingTop: 60,
      }}
    >
      <Box style={{ paddingBottom: foot, minHeight: '100%', boxSizing: 'border-box', position: 'relative' }}>
        {children}
      </Box>
    </Box>
  );
}
