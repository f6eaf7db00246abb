import type { Extensions } from '@tiptap/core';
import Collaboration from '@tiptap/extension-collaboration';
import { Dropcursor, Gapcursor, Placeholder } from '@tiptap/extensions';
import { documentMarks } from '@glossarion/core/document';
import type { PageDocument } from '../documents/pageDocument';
import { PastedAddresses } from './addresses';
import { BlockKeys } from './blockKeys';
import { CalendarFiles } from './calendarFiles';
import { ClosedBrackets } from './closedBrackets';
import { Chosen } from './chosen';
import { Clipboard } from './clipboard';
import { DateOffers, type DateOfferOptions } from './dateOffers';
import { Excerpts } from './excerpts';
import { Folds } from './folds';
import { HoldsKeys } from './heldKeys';
import { HeadingLevels } from './headingLevels';
import { Identity } from './identity';
import { KeyedSync } from './keyedSync';
import { KeptSolids } from './keptSolids';
import { KeptStyle } from './keptStyle';
import { LinkBehaviour } from './linkViews';
import { LinkSelection, type LinkSelectionOptions } from './linkSelection';
import { Lists } from './lists';
import { MadeByLink } from './madeByLink';
import { nodesWithViews } from './nodesWithViews';
import { PageSearch } from './pageSearch';
import { Shortcuts } from './shortcuts';
import { StayInLine } from './stayInLine';
import { Tables } from './tables';
import { SpokenOfLines } from './spokenOf';
import { TakeInCursor } from './takeInCursor';
import { TypedCommands } from './typedCommands';
import { Undo } from './undo';
import { InsertQueryWatch, LinkQueryWatch, TagQueryWatch, type TypedQueryOptions } from './typedQuery';

export interface EditorNeeds {
  page: PageDocument;
  placeholder: string;
  /** What the page is called now. */
  title: () => string;
  onOpen: (target: string, isBeside: boolean) => void;
  link: TypedQueryOptions;
  insert: TypedQueryOptions;
  tag: TypedQueryOptions;
  selection: LinkSelectionOptions;
  dates: DateOfferOptions;
}

/** Everything a page's editor is made of: the schema of core with views, and what each key and gesture does. */
export function pageExtensions({
  page,
  placeholder,
  title,
  onOpen,
  link,
  insert,
  tag,
  selection,
  dates,
}: EditorNeeds): Extensions {
  return [
    ...nodesWithViews(page.pageId),
    ...Object.values(documentMarks),
    Collaboration.configure({
      fragment: page.document.getXmlFragment('body'),
      // The page's own, so that undo reaches back over the whole visit.
      yUndoOptions: { undoManager: page.undoManager } as never,
    }),
    TakeInCursor.configure({ page }),
    StayInLine.configure({ page }),
    TypedCommands,
    HoldsKeys,
    KeptSolids,
    KeptStyle,
    KeyedSync,
    Identity,
    Lists,
    Folds,
    HeadingLevels,
    Chosen.configure({ pageId: page.pageId }),
    Tables,
    Undo,
    MadeByLink,
    SpokenOfLines,
    BlockKeys,
    Shortcuts,
    CalendarFiles.configure({ pageId: page.pageId }),
    Clipboard,
    PastedAddresses,
    ClosedBrackets,
    PageSearch,
    Excerpts.configure({ pageId: page.pageId, title }),
    LinkBehaviour.configure({ onOpen }),
    LinkQueryWatch.configure(link),
    LinkSelection.configure(selection),
    DateOffers.configure(dates),
    InsertQueryWatch.configure(insert),
    TagQueryWatch.configure(tag),
    Placeholder.configure({ placeholder, showOnlyWhenEditable: true }),
    Dropcursor.configure({ color: 'var(--vermilion)', width: 2 }),
    Gapcursor,
  ];
}
