import { useEffect, useRef } from 'react';
import { contentsRows } from '@glossarion/core/outline';
import { useBeneathQuery, useEntryQuery } from '../../state/api';
import type { PageInfo } from '../../state/types';
import { open } from '../../screen/navigation';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';
import { Said } from '../../kit/Words';

/**
 * The pages beneath a page, across its top: on the page itself and on each of them, so that going from one to the next
 * is one tap.
 */
export function Leaves({ info }: { info: PageInfo }) {
  const parentIsPage = info.trail[info.trail.length - 1]?.kind === 'page';
  const { data: parent } = useEntryQuery(info.parentId ?? '', { skip: !parentIsPage });
  const owner = info.showsLeaves ? info : parent?.showsLeaves && parent.id === info.parentId ? parent : null;
  return owner ? <LeavesOf ownerId={owner.id} ownerTitle={owner.title} hereId={info.id} /> : null;
}

function LeavesOf({ ownerId, ownerTitle, hereId }: { ownerId: string; ownerTitle: string; hereId: string }) {
  const { data: beneath = [] } = useBeneathQuery({ id: ownerId, levels: 1 });
  const here = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [beneath.length]);
  const leaves = [
    { id: ownerId, title: ownerTitle },
    ...contentsRows(ownerId, beneath).map((row) => ({ id: row.entry.id, title: row.title })),
  ];
  if (leaves.length === 1) return null;
  return (
    <Box role="navigation" aria-label="Leaves" look="leaves">
      {leaves.map(({ id, title }) => (
        <Way
          key={id}
          ref={id === hereId ? here : undefined}
          look="leaf"
          tip={title}
          to={`/p/${id}`}
          aria-current={id === hereId ? 'page' : undefined}
          dir="auto"
          onOpen={() => {
            if (id !== hereId) open(`/p/${id}`);
          }}
        >
          <Said>{title}</Said>
        </Way>
      ))}
    </Box>
  );
}
