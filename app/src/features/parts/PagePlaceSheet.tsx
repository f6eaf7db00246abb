import { useState, type ReactNode } from 'react';
import { isHeading, shownWords } from '@glossarion/core/document';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { linkWords, whereWords } from '../../screen/words';
import { useNamesQuery, usePageQuery, useRecentQuery } from '../../state/api';
import { targetOf } from '../../state/store';

/** A page, by what it is called. */
export interface NamedPage {
  id: string;
  title: string;
}

interface PagePlaceSheetProps {
  title: string;
  /** Pages that are not offered. */
  except: readonly string[];
  /** Does it there: at `head`, `end`, or the end of a heading's part; false when it was not done. */
  onChoose: (page: NamedPage, at: string) => Promise<boolean>;
  onClose: () => void;
  /** What else is asked; of the page that was chosen, once one is. */
  children?: (page: NamedPage | null) => ReactNode;
}

/** So many pages are offered at once. */
const OFFERED = 9;

/** Asks where lines go: the page first, then where on it, the end being what is offered first. */
export function PagePlaceSheet({ title, except, onChoose, onClose, children }: PagePlaceSheetProps) {
  const [typed, setTyped] = useState('');
  const [page, setPage] = useState<NamedPage | null>(null);
  const name = typed.trim();
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' || page !== null });
  const { data: recent = [] } = useRecentQuery();
  const { currentData: info } = usePageQuery(page?.id ?? '', { skip: page === null });
  const pages = (name === '' ? recent : named)
    .filter(({ kind, id }) => kind === 'page' && !except.includes(id))
    .slice(0, OFFERED)
    .map((target): Choice => ({
      key: target.id,
      words: target.title,
      detail: whereWords(target),
      choose: () => {
        setPage(target);
        setTyped('');
      },
    }));
  const place = (at: string, words: string, detail: string): Choice => ({
    key: at,
    words,
    detail,
    choose: async () => {
      if (page && (await onChoose(page, at))) onClose();
    },
  });
  const headings = (info?.body.content ?? []).filter(isHeading);
  const places = [
    place('end', 'At the end', 'after all that is there'),
    place('head', 'At the head', 'before all that is there'),
    ...headings.map((node) => {
      const words = shownWords(node, (target) => linkWords(targetOf(target))).trim();
      return place(String(node.attrs?.id), words || 'A heading', 'at the end of its part');
    }),
  ].filter((choice) => choice.words.toLowerCase().includes(name.toLowerCase()));
  return (
    <ChoiceSheet
      title={page ? `Where on “${page.title}”?` : title}
      placeholder={page ? 'Some letters of a heading' : 'Some letters of a page'}
      typed={typed}
      onType={setTyped}
      choices={page ? places : pages}
      emptyWords={page ? 'There is no such heading.' : 'No page has this name.'}
      onClose={onClose}
    >
      {children?.(page)}
    </ChoiceSheet>
  );
}
