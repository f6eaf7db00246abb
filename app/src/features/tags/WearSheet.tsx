import { useState } from 'react';
import { isTagName, tagFit, tagKey, tagPath, writtenTag } from '@glossarion/core/tags';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { count } from '../../kit/count';
import { useOfferedTagsQuery, type NamedTag } from '../../state/tagQueries';
import { wear } from './tagActs';
import { useTags } from './useTags';

/** The most tags that are offered at once. */
const OFFERED = 12;

interface WearSheetProps {
  pageIds: readonly string[];
  /** The lines of the one page that are meant; the page itself where none are named. */
  blockIds?: readonly string[];
  onClose: () => void;
}

/** Gives one page a tag, or several at once: those that fit a page by what it is like come first. */
export function WearSheet({ pageIds, blockIds, onClose }: WearSheetProps) {
  const { all, linesOf } = useTags();
  const [typed, setTyped] = useState('');
  const only = pageIds.length === 1 ? pageIds[0]! : null;
  const { data: offered = [] } = useOfferedTagsQuery(only ?? '', { skip: only === null });
  const becauseOf = new Map(offered.map(({ tag, because }) => [tag, because]));
  const rank = ({ id }: NamedTag) => offered.findIndex(({ tag }) => tag === id) + 1 || offered.length + 1;
  const fitting = all
    .filter((tag) => tagFit(tag, typed) > 0)
    .sort(
      (one, other) =>
        tagFit(other, typed) - tagFit(one, typed) || rank(one) - rank(other) || linesOf(other.id) - linesOf(one.id),
    )
    .slice(0, OFFERED);
  const take = (tag: NamedTag | string) => async () => {
    if (await wear(pageIds, blockIds, tag)) onClose();
  };
  const isNew = isTagName(typed) && !all.some(({ path }) => tagKey(tagPath(path)) === tagKey(tagPath(typed)));
  const choices: Choice[] = [
    ...fitting.map((tag) => {
      const because = becauseOf.get(tag.id);
      return {
        key: tag.id,
        words: tag.path,
        detail: because ? `as on ${because.join(', ')}` : count(linesOf(tag.id), 'line'),
        choose: take(tag),
      };
    }),
    ...(isNew
      ? [{ key: 'new', words: writtenTag(tagPath(typed)), detail: 'a new tag', isNew: true, choose: take(typed) }]
      : []),
  ];
  return (
    <ChoiceSheet
      title={titleOf(pageIds, blockIds)}
      placeholder="The name of a tag"
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords="Type the name of the first tag."
      onClose={onClose}
    />
  );
}

function titleOf(pageIds: readonly string[], blockIds: readonly string[] | undefined): string {
  if (blockIds) return blockIds.length === 1 ? 'Tag this line' : `Tag ${count(blockIds.length, 'line')}`;
  return pageIds.length === 1 ? 'Tag this page' : `Tag ${count(pageIds.length, 'page')}`;
}
