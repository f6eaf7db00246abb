import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Line, Said } from '../../kit/Words';
import { forgetSearches, useRecentSearches } from './recentSearches';

/** What was looked for here lately, before anything is typed. */
export function RecentSearches({ onFind }: { onFind: (line: string) => void }) {
  const lines = useRecentSearches();
  if (lines.length === 0) return null;
  return (
    <Box role="region" aria-label="Looked for lately">
      <Line look="find-head" role="heading" aria-level={2}>
        looked for lately
      </Line>
      <Box look="find-lately">
        {lines.map((line) => (
          <Tap key={line} look="find-control" onPress={() => onFind(line)}>
            <Said dir="auto">{line}</Said>
          </Tap>
        ))}
        <Tap look="find-save" onPress={forgetSearches}>
          Forget them
        </Tap>
      </Box>
    </Box>
  );
}
