import type { Editor } from '@tiptap/core';
import { useState, type Ref } from 'react';
import { newId } from '@glossarion/core/document';
import type { Offer } from '@glossarion/core/pickables';
import { mayHold } from '@glossarion/core/outline';
import { makeForLink } from './madeByLink';
import { usePicked, type Picked } from './usePicked';
import { placeWords, trailWords } from '../screen/words';
import { useNotebooksQuery } from '../state/api';
import { useAppDispatch } from '../state/store';
import { targetsKnown } from '../state/targets';
import { isSingleAddress } from './addresses';
import { endLinkSelection } from './linkSelection';
import type { WritingPlace } from './writingPlace';
import type { PickerHandle } from './pickerHandle';
import { PickerList, type PickerChoice } from './PickerList';
import type { TypedQuery } from './typedQuery';

/** Parts the name of a page that is to be made from the letters of the place it is to live in. */
const IN = ' → ';
const SHOWN = 7;

interface LinkPickerProps {
  handle: Ref<PickerHandle>;
  editor: Editor;
  query: TypedQuery;
  place: WritingPlace;
  /** Whether the words were selected and become the link, whatever is typed to choose its target. */
  isSelected?: boolean;
}

/** Offers what a link can lead to while it is typed, and makes the missing page without leaving the line. */
export function LinkPicker({ handle, editor, query, place, isSelected = false }: LinkPickerProps) {
  const [filter, setFilter] = useState<string | null>(null);
  const written = (isSelected ? (filter ?? query.typed) : query.typed).replace(/^\s+/u, '');
  const parts = written.split(IN);
  const name = parts[0]!.trim();
  const isPlacing = parts.length > 1;
  const picked = usePicked(
    isPlacing ? parts.slice(1).join(IN).trim() : written.trimEnd() === '' ? '' : written,
    place,
    isSelected ? query.typed : null,
  );
  const acts = useLinkActs(editor, query, isSelected, setFilter);
  const isWeb = isSelected && isSingleAddress(written);
  const choices = isWeb
    ? [webChoice(written.trim(), acts)]
    : isPlacing
      ? placeChoices(picked, name, acts)
      : linkChoices(picked, name, place, acts);
  return (
    <PickerList
      handle={handle}
      editor={editor}
      label={isPlacing ? `Where “${name}” shall live` : 'What to link to'}
      from={query.from}
      typed={written}
      choices={choices}
      isPending={!isWeb && picked.isPending}
      onComplete={acts.complete}
      hint={isPlacing && choices.length === 0 ? 'Some letters of a notebook, section or page' : null}
      filter={
        isSelected ? { value: filter ?? query.typed, onChange: setFilter, onLeave: () => acts.leave() } : undefined
      }
    />
  );
}

interface LinkActs {
  /** Links the selected words to an address of the web. */
  toWeb: (href: string) => void;
  insert: (target: Offer | { id: string; kind: 'block'; words: string; page: Offer }) => void;
  make: (name: string, parentId: string, afterId?: string) => void;
  askWhere: (name: string) => void;
  /** Asks again before a second page of nearly the same title is made. */
  confirmed: string | null;
  confirm: (name: string) => void;
  notebooks: { id: string; name: string }[];
  leave: () => void;
  /** Takes what was typed completed to a name. */
  complete: (name: string) => void;
}

function useLinkActs(
  editor: Editor,
  query: TypedQuery,
  isSelected: boolean,
  setFilter: (filter: string) => void,
): LinkActs {
  const dispatch = useAppDispatch();
  const { data: notebooks = [] } = useNotebooksQuery();
  const [confirmed, setConfirmed] = useState<string | null>(null);

  const leave = () => {
    if (isSelected) endLinkSelection(editor.view);
    editor.view.focus();
  };

  const put = (id: string, title: string) => {
    // Words that are the title anyway leave the link to show it, whatever it will be.
    const words = isSelected && query.typed !== title ? query.typed : null;
    if (isSelected) endLinkSelection(editor.view);
    editor
      .chain()
      .focus()
      .deleteRange({ from: query.from, to: query.to })
      .insertContentAt(query.from, { type: 'pageLink', attrs: { target: id, words } })
      .run();
  };

  return {
    toWeb: (href) => {
      endLinkSelection(editor.view);
      const mark = editor.schema.marks.webLink!.create({ href });
      editor.view.dispatch(editor.state.tr.addMark(query.from, query.to, mark));
      editor.view.focus();
    },
    insert: (target) => {
      const isLine = target.kind === 'block';
      const known = isLine
        ? { ...target.page, id: target.id, kind: 'block' as const, pageId: target.page.id, title: target.words }
        : target;
      const { id, kind, pageId, title, state, season, trail, pigment, day, standsIn } = known as Offer;
      dispatch(targetsKnown([{ id, kind, pageId, title, state, season, trail, pigment, day, standsIn }]));
      put(id, title);
    },
    make: (name, parentId, afterId) => {
      const id = newId();
      // The link stands at once; the page it leads to is made meanwhile.
      const unwritten = { kind: 'page' as const, state: 'unwritten' as const, season: 'now' as const };
      const nowhere = { trail: [], pigment: null, day: null, standsIn: null };
      dispatch(targetsKnown([{ ...unwritten, ...nowhere, id, pageId: id, title: name }]));
      put(id, name);
      makeForLink({ do: 'make', id, kind: 'page', parentId, name, ...(afterId && { afterId }) });
    },
    askWhere: (name) => {
      if (isSelected) setFilter(`${name}${IN}`);
      else editor.chain().focus().insertContentAt(query.to, IN).run();
    },
    confirmed,
    confirm: setConfirmed,
    notebooks: notebooks.filter((each) => each.season === null),
    leave,
    complete: (name) => {
      if (isSelected) setFilter(name);
      else
        editor
          .chain()
          .focus()
          .insertContentAt({ from: query.from + 2, to: query.to }, name)
          .run();
    },
  };
}

/** Pages, sections, notebooks, days and lines that fit, then the places where a page of this name can be made. */
function linkChoices(picked: Picked, name: string, place: WritingPlace, acts: LinkActs): PickerChoice[] {
  const { near, isThere } = picked;
  const found: PickerChoice[] = [
    ...(picked.day ? [offerChoice(picked.day, acts)] : []),
    ...(picked.lines?.lines ?? []).slice(0, SHOWN).map((line): PickerChoice => ({
      key: line.blockId,
      words: line.words,
      detail: `${line.kind === 'heading' ? 'heading' : 'line'} on ${picked.lines!.page.title}`,
      choose: () => acts.insert({ id: line.blockId, kind: 'block', words: line.words, page: picked.lines!.page }),
    })),
  ];
  const offers = picked.offers
    .filter(({ id }) => id !== picked.day?.id)
    .slice(0, SHOWN)
    .map((offer) => offerChoice(offer, acts));
  const known = [...found, ...offers].slice(0, SHOWN);
  if (name === '' || picked.isPending) return known;
  if (near.length > 0 && acts.confirmed === name) {
    return [
      ...near.map((offer) => ({ ...offerChoice(offer, acts), words: `Link to “${offer.title}”` })),
      ...makingChoices(name, place, acts, 'all the same: '),
    ];
  }
  const likely = near
    .filter(({ id }) => !offers.some(({ key }) => key === id))
    .map((offer) => offerChoice(offer, acts));
  if (near.length > 0) {
    const ask: PickerChoice = {
      key: 'new?',
      words: `New page “${name}”`,
      detail: `“${near[0]!.title}” is nearly the same: asks again`,
      isNew: true,
      choose: () => acts.confirm(name),
    };
    return [...known, ...likely, ask];
  }
  const making = makingChoices(name, place, acts, '');
  return [...known, ...(isThere ? making.slice(-2) : making)];
}

const webChoice = (href: string, acts: LinkActs): PickerChoice => ({
  key: 'web',
  words: href,
  detail: 'an address of the web',
  choose: () => acts.toWeb(href),
});

function offerChoice(offer: Offer, acts: LinkActs): PickerChoice {
  const kind = offer.kind === 'page' ? '' : `${offer.kind}${offer.trail.length > 0 ? ' in ' : ''}`;
  const where = offer.kind === 'notebook' ? 'notebook' : `${kind}${placeWords(offer)}`;
  return {
    key: offer.id,
    words: offer.title,
    detail: offer.alias ? `also called ${offer.alias} · ${where}` : where,
    choose: () => acts.insert(offer),
    name: offer.title,
  };
}

function makingChoices(name: string, place: WritingPlace, acts: LinkActs, prefix: string): PickerChoice[] {
  const words = `New page “${name}”`;
  const elsewhere: PickerChoice = {
    key: 'new elsewhere',
    words,
    detail: `${prefix}in another place …`,
    isNew: true,
    choose: () => acts.askWhere(name),
  };
  if (place.parentId === null) {
    return [
      ...acts.notebooks.slice(0, 3).map((notebook): PickerChoice => ({
        key: `new ${notebook.id}`,
        words,
        detail: `${prefix}in ${notebook.name}`,
        isNew: true,
        choose: () => acts.make(name, notebook.id),
      })),
      elsewhere,
    ];
  }
  return [
    {
      key: 'new beside',
      words,
      detail: `${prefix}beside this page, in ${place.trail[place.trail.length - 1]?.name ?? 'the same place'}`,
      isNew: true,
      choose: () => acts.make(name, place.parentId!, place.pageId),
    },
    {
      key: 'new beneath',
      words,
      detail: `${prefix}beneath this page`,
      isNew: true,
      choose: () => acts.make(name, place.pageId),
    },
    elsewhere,
  ];
}

/** Places that can hold a new page. */
const placeChoices = (picked: Picked, name: string, acts: LinkActs): PickerChoice[] =>
  picked.offers
    .filter(({ kind, standsIn }) => standsIn === null && mayHold(kind, 'page'))
    .slice(0, SHOWN)
    .map((offer) => ({
      key: offer.id,
      words: offer.title,
      detail: `“${name}” goes ${offer.kind === 'page' ? 'beneath this page' : 'in here'}${offer.trail.length > 0 ? `, ${trailWords(offer.trail)}` : ''}`,
      choose: () => acts.make(name, offer.id),
    }));
