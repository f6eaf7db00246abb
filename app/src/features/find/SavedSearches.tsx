import { useState } from 'react';
import type { SavedSearch } from '@glossarion/core/find';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Line, Said } from '../../kit/Words';
import { SavedSearchSheet } from './SavedSearchSheet';

interface SavedSearchesProps {
  all: readonly SavedSearch[];
  onFind: (line: string) => void;
}

/** The searches that were saved, before anything is typed. */
export function SavedSearches({ all, onFind }: SavedSearchesProps) {
  const [changed, setChanged] = useState<string | null>(null);
  const search = all.find(({ id }) => id === changed);
  if (all.length === 0) return null;
  return (
    <Box role="region" aria-label="Saved searches">
      <Line look="find-head" role="heading" aria-level={2}>
        saved searches
      </Line>
      <Box role="list" look="saved-searches">
        {all.map(({ id, name, line }) => (
          <Box key={id} role="listitem" look="saved-search">
            <Tap look="saved-search-name" onPress={() => onFind(line)}>
              <Said dir="auto">{name}</Said>
              {name !== line && (
                <Said look="finding-trail" dir="auto">
                  {line}
                </Said>
              )}
            </Tap>
            <Tap
              look="saved-search-more"
              aria-label={`Change “${name}”`}
              aria-haspopup="dialog"
              onPress={() => setChanged(id)}
            >
              ⋯
            </Tap>
          </Box>
        ))}
      </Box>
      {search && <SavedSearchSheet search={search} line={search.line} all={all} onClose={() => setChanged(null)} />}
    </Box>
  );
}

/** Saves the search that is shown, or says by which name it is. */
export function SaveSearch({ all, line }: { all: readonly SavedSearch[]; line: string }) {
  const [isOpen, setOpen] = useState(false);
  const search = all.find((each) => each.line === line) ?? null;
  return (
    <>
      <Tap look="find-save" aria-haspopup="dialog" onPress={() => setOpen(true)}>
        {search ? `Saved as “${search.name}”` : 'Save this search'}
      </Tap>
      {isOpen && <SavedSearchSheet search={search} line={line} all={all} onClose={() => setOpen(false)} />}
    </>
  );
}
