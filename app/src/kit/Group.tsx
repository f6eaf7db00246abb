import type { ReactNode } from 'react';
import { Box } from './Box';
import { Line } from './Words';

interface GroupProps {
  /** What those in it have in common; none for what stands by itself. */
  label?: string;
  children: ReactNode;
}

/** Buttons of one sort in a flowing row, under a rule and the name of the sort. */
export function Group({ label, children }: GroupProps) {
  return (
    <Box role="group" aria-label={label} look="group">
      {label && <Line look="group-label">{label}</Line>}
      <Box look="group-row">{children}</Box>
    </Box>
  );
}
