import { useState } from 'react';
import type { Kind, KindTree } from '@glossarion/core/kinds';
import type { Target } from '@glossarion/core/links';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { count } from '../../kit/count';
import { Tap } from '../../kit/Tap';
import { Heading, Said } from '../../kit/Words';
import { placeWords } from '../../screen/words';
import { setKinds } from './kindActs';
import { useLikelyKindsQuery } from './queries';

/** Pages that look like those of a kind: listed first, some of them left out if wanted, and then made such as one act. */
export function LikelyPages({ kinds }: { kinds: KindTree }) {
  const { data } = useLikelyKindsQuery();
  const targets = new Map(data?.targets.map((target) => [target.id, target]));
  return data?.likely.map(({ kindId, pageIds }) => {
    const kind = kinds.get(kindId);
    const pages = pageIds.flatMap((id) => targets.get(id) ?? []);
    return kind && pages.length > 0 ? <LikelyKind key={kindId} kind={kind} pages={pages} /> : null;
  });
}

function LikelyKind({ kind, pages }: { kind: Kind; pages: readonly Target[] }) {
  const [isOpen, setOpen] = useState(false);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const taken = pages.filter(({ id }) => !left.has(id));
  const toggle = (id: string) =>
    setLeft((before) => new Set(before.has(id) ? [...before].filter((each) => each !== id) : [...before, id]));
  const words = `${count(pages.length, 'page')} ${pages.length === 1 ? 'looks' : 'look'} like the kind “${kind.name}”`;
  return (
    <Box role="region" look="likely" aria-label={words}>
      <Tap look="likely-head" aria-expanded={isOpen} onPress={() => setOpen(!isOpen)}>
        <Heading level={2} look="likely-words">
          {words}
        </Heading>
        <Said look="field-change">{isOpen ? 'Close' : 'Look at them'}</Said>
      </Tap>
      {isOpen && (
        <>
          <Box role="list">
            {pages.map((page) => (
              <Box role="listitem" key={page.id}>
                <Tap
                  look="likely-page"
                  role="checkbox"
                  aria-checked={!left.has(page.id)}
                  aria-label={page.title}
                  onPress={() => toggle(page.id)}
                >
                  <Said look="likely-box" aria-hidden>
                    {left.has(page.id) ? '' : '✓'}
                  </Said>
                  <Said dir="auto">{page.title}</Said>
                  <Said look="kind-page-said">{placeWords(page)}</Said>
                </Tap>
              </Box>
            ))}
          </Box>
          <Button
            label={`Make ${count(taken.length, 'page')} of the kind “${kind.name}”`}
            isDisabled={taken.length === 0}
            onPress={() =>
              void setKinds(
                taken.map(({ id }) => id),
                { add: [kind.id] },
                `${count(taken.length, 'page')} ${taken.length === 1 ? 'is' : 'are'} of the kind “${kind.name}” now.`,
              )
            }
            style={{ marginTop: 8, alignSelf: 'flex-start' }}
          />
        </>
      )}
    </Box>
  );
}
