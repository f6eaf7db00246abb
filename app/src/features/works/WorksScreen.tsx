import type { ReactNode } from 'react';
import { Box } from '../../kit/Box';
import { Empty } from '../../kit/Empty';
import { Heading } from '../../kit/Words';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { colour } from '../../theme/tokens';
import { useWorksQuery } from './queries';
import { TakeIn } from './TakeIn';
import { TakeOut } from './TakeOut';
import { WorkLine } from './WorkLine';

/** Notes in and out: what is under way, and what came of it. */
export function WorksScreen() {
  useTitle('In and out');
  const { data: works } = useWorksQuery();
  return (
    <Screen label="In and out" tone={colour.ground}>
      <Box look="works">
        <Heading look="works-title" level={1}>
          In and out
        </Heading>
        <Box look="works-ways">
          <Part name="Take out">
            <TakeOut of={null} label="Take out everything" isShown={false} />
          </Part>
          <Part name="Take in">
            <TakeIn />
          </Part>
        </Box>
        <Part name="Under way, and done">
          {works?.length === 0 && <Empty>What is taken in or out is listed here, with how far it has come.</Empty>}
          {works && works.length > 0 && (
            <Box role="list" aria-label="Under way, and done" aria-live="polite">
              {works.map((work) => (
                <WorkLine key={work.id} work={work} />
              ))}
            </Box>
          )}
        </Part>
      </Box>
    </Screen>
  );
}

const Part = ({ name, children }: { name: string; children: ReactNode }) => (
  <Box role="group" aria-label={name} look="works-part">
    <Heading look="works-part-name" level={2}>
      {name}
    </Heading>
    {children}
  </Box>
);
