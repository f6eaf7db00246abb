import { Sheet } from '../../kit/Sheet';
import { AwaitedSheet } from '../../screen/AwaitedSheet';
import { useEntryQuery } from '../../state/api';
import { TakeOut } from './TakeOut';

const WHAT = {
  notebook: 'Take out this notebook',
  section: 'Take out this section',
  page: 'Take out this page',
} as const;

/** Takes out an entry with all that stands in it. */
export function TakeOutSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const asked = useEntryQuery(entryId);
  if (!asked.data) return <AwaitedSheet asked={asked} onClose={onClose} />;
  const { title, kind } = asked.data;
  return (
    <Sheet title={`Take out “${title}”`} onClose={onClose}>
      <TakeOut of={entryId} label={WHAT[kind]} />
    </Sheet>
  );
}

/** Takes out the pages that a query line finds. */
export const TakeOutFoundSheet = ({ line, onClose }: { line: string; onClose: () => void }) => (
  <Sheet title={`Take out what is found by “${line}”`} onClose={onClose}>
    <TakeOut of={null} find={line} label="Take these pages out" />
  </Sheet>
);
