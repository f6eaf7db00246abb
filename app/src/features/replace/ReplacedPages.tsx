import { useState } from 'react';
import type { MarkedPiece } from '@glossarion/core/find';
import type { ReplacedLine, ReplacedPage } from '@glossarion/core/replace';
import { Box } from '../../kit/Box';
import { NearPiece } from '../../kit/NearPiece';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Heading, Line, Mark, Said } from '../../kit/Words';
import { addressOf, open } from '../../screen/navigation';
import { whereWords } from '../../screen/words';
import { pigmentColour } from '../../theme/tokens';

/** How high a line is taken to be until it was drawn, in pixels. */
const LIKELY_HEIGHT = 76;

interface ReplacedPagesProps {
  pages: readonly ReplacedPage[];
  /** The lines that are left as they are. */
  left: ReadonlySet<string>;
  onLeave: (ids: readonly string[], isLeft: boolean) => void;
}

/** Each line before and after, by page; a line, or a whole page, can be left out. */
export function ReplacedPages({ pages, left, onLeave }: ReplacedPagesProps) {
  return pages.map((each) => <Page key={each.page.id} replaced={each} left={left} onLeave={onLeave} />);
}

interface PageProps extends Omit<ReplacedPagesProps, 'pages'> {
  replaced: ReplacedPage;
}

function Page({ replaced: { page, lines }, left, onLeave }: PageProps) {
  const [isNear, setNear] = useState(false);
  const ids = lines.map(({ blockId }) => blockId);
  const isWhole = ids.every((id) => !left.has(id));
  const address = addressOf(page);
  return (
    <NearPiece root="#main" likely={lines.length * LIKELY_HEIGHT + 40} onNear={setNear}>
      {isNear && (
        <Box
          role="group"
          aria-label={page.title}
          look="replace-page"
          style={{ borderInlineStartColor: pigmentColour(page.day ? null : page.pigment) }}
        >
          <Box look="replace-head">
            <Heading level={2} look="replace-title">
              <Way to={address} dir="auto" onOpen={() => open(address)}>
                {page.title}
              </Way>
              <Said look="finding-trail">{whereWords(page)}</Said>
            </Heading>
            {lines.length > 1 && (
              <Tap look="replace-leave" onPress={() => onLeave(ids, isWhole)}>
                {isWhole ? 'Leave all of these' : 'Take all of these'}
              </Tap>
            )}
          </Box>
          {lines.map((line) => (
            <OneLine
              key={line.blockId}
              line={line}
              isLeft={left.has(line.blockId)}
              onLeave={(isLeft) => onLeave([line.blockId], isLeft)}
            />
          ))}
        </Box>
      )}
    </NearPiece>
  );
}

interface OneLineProps {
  line: ReplacedLine;
  isLeft: boolean;
  onLeave: (isLeft: boolean) => void;
}

function OneLine({ line: { before, after }, isLeft, onLeave }: OneLineProps) {
  return (
    <Tap
      role="checkbox"
      aria-checked={!isLeft}
      aria-label={`${wordsOf(before)}, then: ${wordsOf(after)}`}
      look={isLeft ? 'replace-line left' : 'replace-line'}
      onPress={() => onLeave(!isLeft)}
    >
      <Said look="replace-box" aria-hidden>
        {isLeft ? '' : '✓'}
      </Said>
      <Box look="replace-words">
        <Line look="replace-before" dir="auto">
          <Pieces pieces={before} />
        </Line>
        <Line look="replace-after" dir="auto">
          <Pieces pieces={after} />
        </Line>
      </Box>
    </Tap>
  );
}

const wordsOf = (pieces: readonly MarkedPiece[]): string => pieces.map(({ text }) => text).join('');

const Pieces = ({ pieces }: { pieces: readonly MarkedPiece[] }) =>
  pieces.map(({ text, isMarked }, index) =>
    isMarked ? <Mark key={index}>{text}</Mark> : <Said key={index}>{text}</Said>,
  );
