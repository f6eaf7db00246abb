import { useEffect, useRef, useState } from 'react';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { isId } from '@glossarion/core/document';
import { PIGMENTS } from '@glossarion/core/outline';
import { usePageDocument } from '../../documents/session';
import { PageEditor } from '../../editor';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { InlineField } from '../../kit/InlineField';
import { Loading } from '../../kit/Loading';
import { PickOne } from '../../kit/PickOne';
import { Trouble } from '../../kit/Trouble';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Heading, Said } from '../../kit/Words';
import { open, openTarget, tagAddress } from '../../screen/navigation';
import { SavingSign } from '../../screen/SavingSign';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { useAppSelector, wantTargets } from '../../state/store';
import { useWindowWidth } from '../../theme/rem';
import { colour, measure, pigmentColour } from '../../theme/tokens';
import { lineActs } from '../parts/lineActs';
import { PickTagSheet } from './PickTagSheet';
import type { NamedTag } from '../../state/tagQueries';
import { bringBackTag, colourTag, deleteTags, mergeTags, moveTag, nameTag } from './tagActs';
import { TagLines } from './TagLines';
import { useTags } from './useTags';

/** A tag: what it is called, what it stands for, what is beneath it, and all that wears it. */
export function TagScreen({ tagId }: { tagId: string }) {
  const { all, isKnown } = useTags();
  const target = useAppSelector((state) => state.targets.known[tagId]);
  const tag = all.find(({ id }) => id === tagId);
  useTitle(tag?.path ?? null);
  const isMissing = isKnown && !tag;
  useEffect(() => {
    if (isMissing) wantTargets([tagId]);
  }, [tagId, isMissing]);
  if (tag) return <OpenTag tag={tag} />;
  if (isMissing && target && target.pageId !== tagId) return <Redirect href={tagAddress(target.pageId) as never} />;
  return (
    <Screen label="Tag" tone={colour.ground}>
      {isMissing && target?.state === 'binned' ? (
        <Trouble
          title="Deleted"
          sentence={`“${target.title}” is no tag any more. Its name stays in the lines that wore it.`}
          action={{ label: 'Bring the tag back', onPress: () => void bringBackTag(tagId, target.title) }}
        />
      ) : isMissing && target?.state === 'gone' ? (
        <Trouble
          title="Not here"
          sentence="There is no such tag in this account."
          action={{ label: 'All tags', onPress: () => open('/tags') }}
        />
      ) : (
        <Loading />
      )}
    </Screen>
  );
}

function OpenTag({ tag }: { tag: NamedTag }) {
  const { all, tree, linesOf } = useTags();
  const [isNaming, setNaming] = useState(false);
  const [asks, setAsks] = useState<'merge' | 'move' | null>(null);
  const [also, setAlso] = useAlso();
  const width = useWindowWidth();
  const beneath = tree.children(tag.id);
  const within = new Set(tree.beneath(tag.id));
  const others = all.filter(({ id }) => !within.has(id));
  const above = tree.line(tag.id).slice(0, -1);
  const name = (typed: string | null) => {
    setNaming(false);
    if (typed !== null) void nameTag(tag, typed);
  };
  return (
    <Screen label={tag.path} tone={colour.ground} hasText>
      <Box look="tag-page">
        <Box look="tag-said">
          <Box look="tag-trail">
            <Way look="tags-back" to="/tags" onOpen={() => open('/tags')}>
              Tags
            </Way>
            {above.map((id) => (
              <Way key={id} look="tags-back" to={tagAddress(id)} dir="auto" onOpen={() => open(tagAddress(id))}>
                {tree.get(id)!.name}
              </Way>
            ))}
            {width < measure.wide && (
              <Said look="page-saving">
                <SavingSign />
              </Said>
            )}
          </Box>
          {isNaming ? (
            <InlineField
              label="What the tag is called; a slash sets it beneath another"
              initial={tag.path}
              look="tag-naming"
              onDone={name}
              isKeptOnLeaving
            />
          ) : (
            <Heading level={1} look="tag-title" style={{ color: tag.pigment ? pigmentColour(tag.pigment) : undefined }}>
              <Tap look="tag-name" aria-label={`Rename ${tag.path}`} dir="auto" onPress={() => setNaming(true)}>
                {tag.name}
              </Tap>
            </Heading>
          )}
          <Box look="tags-deeds">
            <Action label="Rename" onPress={() => setNaming(true)} />
            <Action label="Move beneath…" onPress={() => setAsks('move')} />
            <Action label="Merge into…" onPress={() => setAsks('merge')} />
            <Action label="Delete" tone={colour.vermilion} onPress={() => void deleteTags([tag])} />
            <PickOne
              label="Colour"
              value={tag.pigment}
              options={[
                { value: null, words: 'as tags are' },
                ...PIGMENTS.map((pigment) => ({ value: pigment, words: pigment })),
              ]}
              onPick={(pigment) => void colourTag(tag, pigment)}
            />
          </Box>
          <Description tag={tag} />
          {beneath.length > 0 && (
            <Box role="region" aria-label="Beneath it" look="tag-beneath">
              <Said look="tags-head">beneath it</Said>
              {beneath.map(({ id, name: called }) => (
                <Way key={id} look="tag-chip" to={tagAddress(id)} dir="auto" onOpen={() => open(tagAddress(id))}>
                  {called} <Said look="tags-count">{linesOf(id)}</Said>
                </Way>
              ))}
            </Box>
          )}
        </Box>
        <Box look="tag-told">
          <TagLines tag={tag} tree={tree} also={also} onAlso={setAlso} />
        </Box>
      </Box>
      {asks === 'merge' && (
        <PickTagSheet
          title={`Merge “${tag.path}” into`}
          placeholder="The tag that stays"
          tags={others}
          linesOf={linesOf}
          onPick={async (into) => {
            const isMerged = await mergeTags(tag, into);
            if (isMerged) router.replace(tagAddress(into.id) as never);
            return isMerged;
          }}
          onClose={() => setAsks(null)}
        />
      )}
      {asks === 'move' && (
        <PickTagSheet
          title={`Move “${tag.path}” beneath`}
          placeholder="The tag above it"
          tags={others}
          linesOf={linesOf}
          first={
            tag.parentId === null
              ? []
              : [
                  {
                    key: 'none',
                    words: 'Nothing: on its own',
                    detail: '',
                    choose: async () => {
                      if (await moveTag(tag, null)) setAsks(null);
                    },
                  },
                ]
          }
          onPick={(other) => moveTag(tag, other)}
          onClose={() => setAsks(null)}
        />
      )}
    </Screen>
  );
}

/** The tags that are combined with the one shown stand in the address, so that they are there after a reload. */
function useAlso(): [string[], (also: string[]) => void] {
  const { also = '' } = useLocalSearchParams<{ also?: string }>();
  const set = (next: string[]) => router.setParams({ also: next.length > 0 ? next.join(' ') : undefined } as never);
  return [also.split(' ').filter(isId), set];
}

/** What a tag stands for: a text like any other. */
function Description({ tag }: { tag: NamedTag }) {
  const page = usePageDocument(tag.id, null);
  const text = useRef<HTMLDivElement>(null);
  if (!page?.isReady) return <Box look="tag-description waiting" aria-busy />;
  return (
    <Box ref={text} look="page-body tag-description">
      <PageEditor
        page={page}
        place={{ pageId: tag.id, parentId: null, trail: [], title: tag.path }}
        label={`What ${tag.path} stands for`}
        placeholder="What it stands for"
        onOpen={openTarget}
        lines={lineActs}
        text={text}
      />
    </Box>
  );
}
