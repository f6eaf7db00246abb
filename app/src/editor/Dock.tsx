import type { ReactNode } from 'react';
import { createPortal } from 'react-dom';

/** A place at the foot of the window, over the bar of places: what is at hand while something is written. */
export const Dock = ({ label, children }: { label: string; children: ReactNode }) =>
  createPortal(
    <div role="region" aria-label={label} className="dock">
      {children}
    </div>,
    document.body,
  );
