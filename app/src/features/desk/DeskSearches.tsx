import { Box } from '../../kit/Box';
import { Empty } from '../../kit/Empty';
import { Way } from '../../kit/Way';
import { Said } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { useSearchesQuery } from '../../state/savedSearches';
import { colour } from '../../theme/tokens';

/** The saved searches in their order, on the Desk. */
export function DeskSearches({ lines }: { lines: number }) {
  const { data: saved } = useSearchesQuery();
  if (!saved) return null;
  if (saved.length === 0) return <Empty>What you look for often stands here, once it is saved in Find.</Empty>;
  return (
    <Box role="list">
      {saved.slice(0, lines).map(({ id, name, line }) => {
        const address = `/find?q=${encodeURIComponent(`${line} `)}`;
        return (
          <Box role="listitem" key={id} style={{ borderInlineStartColor: colour.soft }}>
            <Way to={address} onOpen={() => open(address)} look="desk-line">
              <Said look="desk-title" dir="auto">
                {name}
              </Said>
              {name !== line && (
                <Said look="desk-detail" dir="auto">
                  {line}
                </Said>
              )}
            </Way>
          </Box>
        );
      })}
    </Box>
  );
}
