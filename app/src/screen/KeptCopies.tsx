import { newId } from '@glossarion/core/document';
import { useKeptCopies, useShelf } from '../documents/session';
import { open } from './navigation';
import { Box } from '../kit/Box';
import { Line, Paragraph } from '../kit/Words';
import { Tap } from '../kit/Tap';

/** Text written on this page that could not be stored, kept in this browser until the person has dealt with it. */
export function KeptCopies({ pageId }: { pageId: string }) {
  const { dropKept } = useShelf();
  const here = useKeptCopies().filter((copy) => copy.pageId === pageId);
  return (
    <>
      {here.map((copy) => (
        <Box role="region" key={copy.id ?? newId()} look="kept-copy" aria-label="Kept copy">
          <Paragraph look="kept-copy-said">
            What was written here could not be stored: {copy.reason} Nothing of it is lost; this is what was written:
          </Paragraph>
          <Line look="kept-copy-text">{copy.text}</Line>
          <Tap onPress={() => void navigator.clipboard.writeText(copy.text)}>Copy it</Tap>
          <Tap onPress={() => void (copy.id !== undefined && dropKept(copy.id))}>Throw it away</Tap>
          <Tap onPress={() => open('/today')}>Open Today</Tap>
        </Box>
      ))}
    </>
  );
}
