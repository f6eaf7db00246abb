import { Box } from './Box';
import { Tap } from './Tap';

interface DeedBarProps {
  label: string;
  /** What is done, each by a tap. */
  deeds: readonly [words: string, act: () => void][];
  isDisabled: boolean;
}

/** What is done with several that were chosen, in a row. */
export const DeedBar = ({ label, deeds, isDisabled }: DeedBarProps) => (
  <Box look="brought-chosen" role="toolbar" aria-label={label}>
    {deeds.map(([words, act]) => (
      <Tap key={words} look="task-deed" disabled={isDisabled} onPress={act}>
        {words}
      </Tap>
    ))}
  </Box>
);
