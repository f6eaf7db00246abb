import { useState } from 'react';
import type { Field, KindTree, PageOfKind } from '@glossarion/core/kinds';
import type { Target } from '@glossarion/core/links';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { Empty } from '../../kit/Empty';
import { Way } from '../../kit/Way';
import { Said } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { linkWords, placeWords } from '../../screen/words';
import { pigmentColour } from '../../theme/tokens';
import { computed } from './computed';
import { useKinds } from './known';
import { usePagesOfKindQuery } from './queries';
import { shownAtom } from './words';

const PIECE = 100;

/** All pages of a kind, and of those that take its fields over, with the beginning of what each says of itself. */
export function KindPages({ kindId }: { kindId: string }) {
  const [limit, setLimit] = useState(PIECE);
  const { data } = usePagesOfKindQuery({ id: kindId, limit });
  const kinds = useKinds();
  if (!data) return null;
  if (data.count === 0) return <Empty>No page is of this kind yet. Any page’s menu has “Kinds…”.</Empty>;
  const targets = new Map(data.targets.map((target) => [target.id, target]));
  return (
    <>
      <Box role="list" look="kind-pages">
        {data.pages.map((page) => (
          <PageLine key={page.id} page={page} targets={targets} kinds={kinds} />
        ))}
      </Box>
      {data.count > data.pages.length && (
        <Action label={`${data.count - data.pages.length} more`} onPress={() => setLimit(limit + PIECE)} />
      )}
    </>
  );
}

interface PageLineProps {
  page: PageOfKind;
  targets: ReadonlyMap<string, Target>;
  kinds: KindTree;
}

function PageLine({ page, targets, kinds }: PageLineProps) {
  const target = targets.get(page.id);
  if (!target) return null;
  const address = `/p/${page.id}`;
  const titleOf = (id: string) => linkWords(targets.get(id));
  const said = kinds
    .fieldsOfPage(page.kinds, [])
    .flatMap((field) => valueOf(field, page, titleOf))
    .slice(0, 3);
  return (
    <Box role="listitem" look="kind-page" style={{ borderInlineStartColor: pigmentColour(target.pigment) }}>
      <Way look="kind-page-title" to={address} dir="auto" onOpen={() => open(address)}>
        {target.title}
      </Way>
      <Said look="kind-page-said">{said.length > 0 ? said.join(' · ') : placeWords(target)}</Said>
    </Box>
  );
}

/** What a page says in a field, in few words. */
function valueOf(field: Field, { fields }: PageOfKind, titleOf: (id: string) => string): string[] {
  const { atom, text, pages } = computed().readHolding(fields[field.id] ?? {}, field);
  const words = atom === null ? text || pages.map(titleOf).join(', ') : shownAtom(atom, field);
  return words === '' ? [] : [words];
}
