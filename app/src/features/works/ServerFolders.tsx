import { newId } from '@glossarion/core/document';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { Line, Words } from '../../kit/Words';
import { problemSentence } from '../../state/api';
import { colour } from '../../theme/tokens';
import { useLookAtFolderMutation, useServerFoldersQuery } from './queries';

/** Folders and zips that lie on the server to be taken in, where there is a place for them. */
export function ServerFolders() {
  const { data: names = [] } = useServerFoldersQuery();
  const [look, { isLoading, error }] = useLookAtFolderMutation();
  if (names.length === 0) return null;
  return (
    <Box role="group" aria-label="On the server" look="works-folders">
      <Line look="works-says">On the server:</Line>
      <Box look="works-buttons">
        {names.map((name) => (
          <Action key={name} label={name} disabled={isLoading} onPress={() => void look({ id: newId(), name })} />
        ))}
      </Box>
      {error && (
        <Words role="alert" tone={colour.vermilion}>
          {problemSentence(error)}
        </Words>
      )}
    </Box>
  );
}
