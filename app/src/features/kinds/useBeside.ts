import { useMemo, useSyncExternalStore } from 'react';
import type * as Y from 'yjs';
import { FIELDS, readBeside, type Beside } from '@glossarion/core/document';
import type { PageDocument } from '../../documents/pageDocument';
import { usePageDocument } from '../../documents/session';

/** What stands beside the text of a document, for whoever shows it. */
function sourceOf(document: Y.Doc) {
  const map = document.getMap(FIELDS);
  let held = readBeside(document);
  return {
    subscribe: (listener: () => void) => {
      const renew = () => {
        held = readBeside(document);
        listener();
      };
      map.observeDeep(renew);
      // What came since it was drawn was told to nobody.
      held = readBeside(document);
      return () => map.unobserveDeep(renew);
    },
    read: () => held,
  };
}

/** What a page is, and holds of fields, as this window has it. */
export function useBeside({ document }: PageDocument): Beside {
  const source = useMemo(() => sourceOf(document), [document]);
  return useSyncExternalStore(source.subscribe, source.read);
}

/** The same of a page by its id; null when this window does not have it open. */
export function useBesideHere(pageId: string): Beside | null {
  const page = usePageDocument(pageId, null);
  const document = page?.isReady ? page.document : null;
  const source = useMemo(() => document && sourceOf(document), [document]);
  return useSyncExternalStore(source?.subscribe ?? noSubscription, source?.read ?? nothing);
}

const noSubscription = () => () => undefined;
const nothing = () => null;
