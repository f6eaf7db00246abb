import { Box } from '../../kit/Box';
import { Heading } from '../../kit/Words';
import { Way } from '../../kit/Way';
import { open } from '../../screen/navigation';
import { KindPages } from './KindPages';
import { useKinds } from './known';

/** Beneath the text of a page that is the home of kinds: all their pages. */
export function HomePages({ pageId }: { pageId: string }) {
  const homes = useKinds()
    .all()
    .filter(({ homeId }) => homeId === pageId);
  return homes.map(({ id, name }) => (
    <Box key={id} role="region" look="kind-home" aria-label={`Pages of the kind ${name}`}>
      <Heading level={2} look="kinds-head">
        <Way look="page-kind" to={`/kinds/${id}`} onOpen={() => open(`/kinds/${id}`)}>
          {name}
        </Way>
      </Heading>
      <KindPages kindId={id} />
    </Box>
  ));
}
