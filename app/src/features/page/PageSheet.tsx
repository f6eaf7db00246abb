import type { NodeJson } from '@glossarion/core/document';
import type { Gloss } from '@glossarion/core/margin';
import { isLinkLine, splitHeadings } from '@glossarion/core/acts/parts';
import type { EntryInfo } from '@glossarion/core/outline';
import { Offers, type Offer } from '../../kit/Offers';
import { Sheet } from '../../kit/Sheet';
import { Words } from '../../kit/Words';
import { goForward, open } from '../../screen/navigation';
import { doAgain, takeBack } from '../../state/deeds';
import { useAppDispatch } from '../../state/store';
import { searchOpened, sheetOpened, textOnlyToggled } from '../../state/view';
import { windowWidth } from '../../theme/rem';
import { colour, measure } from '../../theme/tokens';
import { keepBeside } from '../beside/besideActs';
import { entryOffers } from '../outline/entryOffers';
import { usePinned } from '../outline/usePinned';
import { foldBack, splitPage } from '../parts/partActs';
import { Counts } from './Counts';

interface PageSheetProps {
  pageId: string;
  /** As this window has it. */
  title: string;
  /** What the server says of the page; null as long as it has not. */
  info: EntryInfo | null;
  /** The page as it stands in this window. */
  content: readonly NodeJson[];
  /** What points here, the newest first. */
  glosses: readonly Gloss[];
  /** Brings back the Margin that was hidden on this page. */
  onShowMargin: (() => void) | null;
  onClose: () => void;
}

/** What can be done with the page that is shown. */
export function PageSheet({ pageId, title, info, content, glosses, onShowMargin, onClose }: PageSheetProps) {
  const dispatch = useAppDispatch();
  const isPinned = usePinned(pageId);
  const showSheet = (sheet: Parameters<typeof sheetOpened>[0]) => dispatch(sheetOpened(sheet));
  const [first, ...others] = info ? entryOffers(info, isPinned) : [];
  const text: Offer[] = [
    ...(onShowMargin ? [{ label: 'Show its Margin again', do: onShowMargin }] : []),
    { label: 'Find and replace here', do: () => dispatch(searchOpened(true)) },
    { label: 'Keep beside', do: () => keepBeside(pageId) },
    ...(splitHeadings(content).length > 0 ? [{ label: 'Split at headings', do: () => splitPage(pageId) }] : []),
    ...(info && canFoldBack(info, glosses) ? [{ label: foldBackWords(info), do: () => foldBack(pageId) }] : []),
  ];
  const names: Offer[] =
    !info || info.standsIn === 'journal'
      ? []
      : [
          { label: 'Other names…', do: () => showSheet({ for: 'names', entryId: pageId }) },
          { label: 'Merge into another page…', do: () => showSheet({ for: 'merge', entryId: pageId }) },
        ];
  const kinds: Offer[] =
    info?.standsIn === null && !info.isDeleted
      ? [
          { label: 'Kinds…', do: () => showSheet({ for: 'kindsOf', entryId: pageId }) },
          { label: 'Tags…', do: () => showSheet({ for: 'wear', pageIds: [pageId] }) },
          { label: 'Log…', do: () => showSheet({ for: 'log', entryId: pageId }) },
        ]
      : [];
  const ways: Offer[] = [
    { label: 'Go to…', do: () => showSheet({ for: 'go' }) },
    { label: 'Days', do: () => showSheet({ for: 'calendar' }) },
    { label: 'Tasks', do: () => open('/tasks') },
    { label: 'Tray', do: () => open('/tray') },
    { label: 'Places visited', do: () => showSheet({ for: 'visited' }) },
    { label: 'Forward →', do: goForward },
    { label: 'Take back', do: takeBack },
    { label: 'Do again', do: doAgain },
    ...(windowWidth() >= measure.wide ? [{ label: 'Text only', do: () => dispatch(textOnlyToggled()) }] : []),
    { label: 'Keys', do: () => showSheet({ for: 'keys' }) },
  ];
  return (
    <Sheet title={info?.title ?? title} onClose={onClose}>
      <Counts content={content} />
      <Words tone={colour.soft}>
        {info
          ? `Changed ${new Date(info.changedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}.`
          : 'Moving, pinning and the like are offered here as soon as the server can be reached.'}
      </Words>
      <Offers
        groups={[
          ...(first ? [first] : []),
          { label: 'Its text', offers: [...text, ...kinds, ...names] },
          { label: 'Ways', offers: ways },
          ...others,
        ]}
        onClose={onClose}
      />
    </Sheet>
  );
}

/**
 * A page with nothing beneath it can be set back into the page above; one that was lifted from a day stands in a
 * notebook, and goes back to the one page that has a line for it alone.
 */
function canFoldBack(info: EntryInfo, glosses: readonly Gloss[]): boolean {
  if (info.standsIn !== null || info.isDeleted || info.pagesBeneath > 0) return false;
  return info.trail.at(-1)?.kind === 'page' || linesFor(info, glosses) === 1;
}

const linesFor = (info: EntryInfo, glosses: readonly Gloss[]): number =>
  new Set(glosses.filter(({ node }) => isLinkLine(node, info.id)).map(({ pageId }) => pageId)).size;

const foldBackWords = (info: EntryInfo): string =>
  info.trail.at(-1)?.kind === 'page' ? 'Fold back into the page above' : 'Fold back to its line';
