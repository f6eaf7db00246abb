import { useEffect, useRef, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { stripOpened } from '../../state/view';
import { actOf, KEY_ACTS } from './keys';
import { entryHere, useShownEntry } from './useKeys';
import { Box } from '../../kit/Box';
import { useCover } from '../../kit/covers';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';

/** The letters along the bottom, opened by Shift pressed twice, in text too: one letter or one tap acts. */
export function KeyStrip() {
  const isOpen = useAppSelector((state) => state.view.isStripOpen);
  return isOpen ? <OpenStrip /> : null;
}

function OpenStrip() {
  const dispatch = useAppDispatch();
  const shownId = useShownEntry();
  const strip = useRef<HTMLDivElement>(null);
  const [before] = useState(() => document.activeElement as HTMLElement | null);
  const [place] = useState(() => ({ entryId: entryHere(shownId) }));

  useEffect(() => {
    const element = strip.current;
    element?.focus();
    return () => {
      const isLeft = document.activeElement === document.body || element?.contains(document.activeElement);
      if (isLeft && before?.isConnected) before.focus();
    };
  }, [before]);

  const close = () => void dispatch(stripOpened(false));
  useCover(true, close);
  const run = (key: string) => {
    const act = actOf(key);
    if (!act) return;
    close();
    before?.blur();
    void act(place);
  };

  return (
    <Box role="region" aria-label="Keys along the bottom">
      <Box
        ref={strip}
        role="toolbar"
        aria-label="Keys"
        tabIndex={-1}
        look="key-strip"
        dataSet={{ atFoot: '' }}
        onKeyDown={(event) => {
          if (event.key === 'Shift' || event.key === 'Tab') return;
          if ((event.key === 'Enter' || event.key === ' ') && event.target !== strip.current) return;
          event.preventDefault();
          event.stopPropagation();
          if (event.key === 'Escape') close();
          else run(event.key);
        }}
      >
        {KEY_ACTS.map(({ key, label }) => (
          <Tap key={key} aria-keyshortcuts={key} onPress={() => run(key)}>
            <Said look="key-letter" aria-hidden>
              {key}
            </Said>
            {label}
          </Tap>
        ))}
      </Box>
    </Box>
  );
}
