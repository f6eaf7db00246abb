import { useEffect, useRef, type ReactNode } from 'react';
import { Box } from './Box';
import { useNear } from './useNear';

interface NearPieceProps {
  /** How high it is taken to be until it was drawn, in pixels. */
  likely: number;
  /** What is scrolled; the window where nothing is named. */
  root?: string;
  /** Told whether it is near what is seen: only then it has to be read. */
  onNear: (isNear: boolean) => void;
  /** What stands for it while it is not drawn. */
  unread?: ReactNode;
  /** Nothing as long as it was not read. */
  children: ReactNode;
}

/** A piece of a long list, read and drawn while it is near what is seen; else its room is kept. */
export function NearPiece({ likely, root, onNear, unread = null, children }: NearPieceProps) {
  const element = useRef<HTMLDivElement>(null);
  const isRead = Boolean(children);
  const { isNear, minHeight } = useNear(element, isRead, likely, root);
  useEffect(() => onNear(isNear), [isNear, onNear]);
  return (
    <Box ref={element} style={{ minHeight }}>
      {isNear && isRead ? children : unread}
    </Box>
  );
}
