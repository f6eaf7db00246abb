import { usePathname } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { shownBlock } from './blockPlace';
import { isRemembered } from './scrollMemory';

/** Scrolls to a block that was asked for and washes it in colour for a moment. */
export function useLanding(blockId: string | null, isShown: boolean): void {
  const landed = useRef<string | null>(null);
  const path = usePathname();
  // Somebody who comes back is taken to where they were, not to where they landed first.
  const [isReturning] = useState(() => isRemembered(path));
  useEffect(() => {
    if (!blockId || !isShown || isReturning || landed.current === blockId) return;
    const find = () => shownBlock(blockId);
    let tries = 0;
    const land = () => {
      const block = find();
      if (!block) {
        if ((tries += 1) < 30) timer = setTimeout(land, 60);
        return;
      }
      landed.current = blockId;
      block.scrollIntoView({ block: 'center' });
      // The line may be drawn anew meanwhile, when the server’s state arrives.
      const wash = setInterval(() => find()?.classList.add('landed'), 60);
      setTimeout(() => {
        clearInterval(wash);
        find()?.classList.remove('landed');
      }, 1300);
    };
    let timer = setTimeout(land, 30);
    return () => clearTimeout(timer);
  }, [blockId, isShown, isReturning]);
}
