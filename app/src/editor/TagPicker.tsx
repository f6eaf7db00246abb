import type { Editor } from '@tiptap/core';
import { useMemo, type Ref } from 'react';
import { namedIn, type NodeJson } from '@glossarion/core/document';
import { tagFit } from '@glossarion/core/tags';
import { count } from '../kit/count';
import { useTagsQuery } from '../state/api';
import { useOfferedTagsQuery, useTagUsesQuery } from '../state/tagQueries';
import { insertTag } from './tagging';
import type { PickerHandle } from './pickerHandle';
import { PickerList } from './PickerList';
import type { TypedQuery } from './typedQuery';

/** The most tags that are offered at once. */
const OFFERED = 7;

/** What only holds the letters somewhere is not meant: Enter would take it for a tag that is new. */
const BEGINS = 2;

interface TagPickerProps {
  handle: Ref<PickerHandle>;
  editor: Editor;
  query: TypedQuery;
  pageId: string;
}

/** Offers tags after #: those that the page wears, those of what is like it, and then those that are worn most. */
export function TagPicker({ handle, editor, query, pageId }: TagPickerProps) {
  const { data: tags = [], isLoading } = useTagsQuery();
  const { data: uses } = useTagUsesQuery();
  const { data: near } = useOfferedTagsQuery(pageId);
  const worn = useMemo(
    () => new Set(namedIn((editor.getJSON() as { content?: NodeJson[] }).content ?? []).tags),
    // As the page was when the tag was begun.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [editor, query.from],
  );
  const lines = useMemo(() => new Map(uses?.map((each) => [each.tag, each.lines])), [uses]);
  const nearness = useMemo(() => new Map(near?.map(({ tag }, index) => [tag, near.length - index])), [near]);
  const choices = tags
    .filter((tag) => tagFit(tag, query.typed) >= BEGINS)
    .map((tag) => ({
      tag,
      rank: [tagFit(tag, query.typed), Number(worn.has(tag.id)), nearness.get(tag.id) ?? 0, lines.get(tag.id) ?? 0],
    }))
    .sort((one, other) => compared(other.rank, one.rank))
    .slice(0, OFFERED)
    .map(({ tag }) => ({
      key: tag.id,
      words: tag.path,
      detail: worn.has(tag.id)
        ? 'on this page'
        : nearness.has(tag.id)
          ? 'on pages like it'
          : count(lines.get(tag.id) ?? 0, 'line'),
      choose: () => insertTag(editor, query, tag),
    }));
  return (
    <PickerList
      handle={handle}
      editor={editor}
      label="Tags"
      from={query.from}
      typed={query.typed}
      choices={choices}
      isPending={isLoading}
    />
  );
}

/** By the first in which they differ. */
function compared(one: readonly number[], other: readonly number[]): number {
  const at = one.findIndex((each, index) => each !== other[index]);
  return at < 0 ? 0 : one[at]! - other[at]!;
}
