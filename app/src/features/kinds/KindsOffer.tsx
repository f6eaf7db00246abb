import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { Heading, Paragraph } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { LikelyPages } from './LikelyPages';
import { useKinds } from './known';
import { useKindsQuery } from './queries';

/** Said as long as no page says what it is: what kinds are for, and which pages look like those of one. */
export function KindsOffer() {
  const { data } = useKindsQuery();
  const kinds = useKinds();
  if (!data || Object.values(data.counts).some((pages) => pages > 0)) return null;
  const names = kinds.all().map(({ name }) => name);
  return (
    <Box role="region" look="kinds-offer" aria-label="What pages are">
      <Heading level={2}>What pages are</Heading>
      <Paragraph look="kinds-says">
        A page can say that it is a {names.slice(0, -1).join(', a ')} or a {names.at(-1)}. It then has fields beneath
        its title, stands with all others of its kind, and is named in the Margins of what its fields lead to.
      </Paragraph>
      <LikelyPages kinds={kinds} />
      <Action label="Kinds" onPress={() => open('/kinds')} />
    </Box>
  );
}
