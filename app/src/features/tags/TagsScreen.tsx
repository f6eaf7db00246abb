import { useMemo, useState } from 'react';
import { alikeTags, tagFit, tagPath } from '@glossarion/core/tags';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { count } from '../../kit/count';
import { Empty } from '../../kit/Empty';
import { Field } from '../../kit/Field';
import { NearPiece } from '../../kit/NearPiece';
import { Way } from '../../kit/Way';
import { Heading, Line, Paragraph, Said } from '../../kit/Words';
import { open, tagAddress } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { colour, pigmentColour } from '../../theme/tokens';
import type { NamedTag } from '../../state/tagQueries';
import { deleteTags, mergeTags } from './tagActs';
import { useTags } from './useTags';

/** So many are read and drawn at once, and how high one is taken to be, in pixels. */
const PIECE = 60;
const LIKELY_HEIGHT = 45;
/** So many to be tidied are shown before one asks for more. */
const TIDIED = 5;

/** All tags with how often each is worn; what may be tidied comes first. */
export function TagsScreen() {
  const { all, linesOf, isKnown, areCounted } = useTags();
  const [typed, setTyped] = useState('');
  useTitle('Tags');
  const isSought = typed.trim() !== '';
  const shown = all.filter((tag) => tagFit(tag, typed) > 0);
  const pieces = Array.from({ length: Math.ceil(shown.length / PIECE) }, (_each, index) => index * PIECE);
  return (
    <Screen label="Tags" tone={colour.ground}>
      <Box look="tags">
        <Heading level={1} look="tags-title">
          Tags
        </Heading>
        <Paragraph look="tags-says">
          A tag is a word marked with # in a line. It is one thing wherever it is worn: called otherwise, it is so
          everywhere.
        </Paragraph>
        {isKnown && all.length === 0 && (
          <>
            <Empty>No line wears a tag yet. Type # and a word in any line, and the tag stands here.</Empty>
            <Action label="Open Today" onPress={() => open('/today')} />
          </>
        )}
        {areCounted && !isSought && <ToTidy all={all} linesOf={linesOf} />}
        {all.length > 0 && (
          <Field
            label="Tags that are called so"
            isLabelHidden
            hasTrouble={false}
            placeholder="Some letters of a tag"
            value={typed}
            onChangeText={setTyped}
            autoCorrect={false}
            autoCapitalize="none"
          />
        )}
        <Line look="said" role="status">
          {count(shown.length, 'tag')}
        </Line>
        <Box role="list" aria-label="All tags" look="tags-all">
          {pieces.map((from) => (
            <Piece key={from} tags={shown.slice(from, from + PIECE)} linesOf={linesOf} />
          ))}
        </Box>
        {isSought && shown.length === 0 && <Empty>No tag is called so.</Empty>}
      </Box>
    </Screen>
  );
}

function Piece({ tags, linesOf }: { tags: readonly NamedTag[]; linesOf: (id: string) => number }) {
  const [isNear, setNear] = useState(false);
  return (
    <NearPiece root="#main" likely={tags.length * LIKELY_HEIGHT} onNear={setNear}>
      {isNear && tags.map((tag) => <TagLine key={tag.id} tag={tag} lines={linesOf(tag.id)} />)}
    </NearPiece>
  );
}

function TagLine({ tag: { id, path, pigment }, lines }: { tag: NamedTag; lines: number }) {
  const address = tagAddress(id);
  const names = tagPath(path);
  return (
    <Box role="listitem" look="tags-line" style={{ paddingInlineStart: Math.min(names.length - 1, 6) * 22 }}>
      <Way
        look="tags-name"
        to={address}
        dir="auto"
        aria-label={`${path}, ${count(lines, 'line')}`}
        style={{ color: pigment ? pigmentColour(pigment) : undefined }}
        onOpen={() => open(address)}
      >
        {names.at(-1)}
      </Way>
      <Said look="tags-count">{lines > 0 ? lines.toLocaleString() : 'not worn'}</Said>
    </Box>
  );
}

interface ToTidyProps {
  all: readonly NamedTag[];
  linesOf: (id: string) => number;
}

/** Tags that may be one, and those that no line wears. */
function ToTidy({ all, linesOf }: ToTidyProps) {
  const [isWhole, setWhole] = useState(false);
  const alike = useMemo(() => alikeTags(all, linesOf), [all, linesOf]);
  const unused = useMemo(() => {
    const above = new Set(all.map(({ parentId }) => parentId));
    return all.filter(({ id }) => linesOf(id) === 0 && !above.has(id));
  }, [all, linesOf]);
  if (alike.length === 0 && unused.length === 0) return null;
  const most = isWhole ? Infinity : TIDIED;
  return (
    <Box role="region" aria-labelledby="tags-to-tidy" look="tags-tidy">
      <Heading level={2} id="tags-to-tidy" look="tags-head">
        To be tidied
      </Heading>
      <Box role="list">
        {alike.slice(0, most).map(({ from, into }) => (
          <Box key={from.id} role="listitem" look="tags-tidied">
            <Said look="tags-pair">
              <TagName tag={from} lines={linesOf(from.id)} /> and <TagName tag={into} lines={linesOf(into.id)} />
            </Said>
            <Action
              label="Merge"
              aria-label={`Merge ${from.path} into ${into.path}`}
              onPress={() => void mergeTags(from, into)}
            />
          </Box>
        ))}
        {unused.slice(0, most).map((tag) => (
          <Box key={tag.id} role="listitem" look="tags-tidied">
            <Said look="tags-pair">
              <TagName tag={tag} lines={0} />
            </Said>
            <Action label="Delete" aria-label={`Delete ${tag.path}`} onPress={() => void deleteTags([tag])} />
          </Box>
        ))}
      </Box>
      <Box look="tags-deeds">
        {!isWhole && Math.max(alike.length, unused.length) > TIDIED && (
          <Action label="Show all" onPress={() => setWhole(true)} />
        )}
        {unused.length > 1 && (
          <Action label={`Delete the ${unused.length} that are not worn`} onPress={() => void deleteTags(unused)} />
        )}
      </Box>
    </Box>
  );
}

function TagName({ tag: { id, path }, lines }: { tag: NamedTag; lines: number }) {
  const address = tagAddress(id);
  return (
    <>
      <Way look="tags-small" to={address} dir="auto" onOpen={() => open(address)}>
        {path}
      </Way>{' '}
      <Said look="tags-count">{lines > 0 ? lines.toLocaleString() : 'not worn'}</Said>
    </>
  );
}
