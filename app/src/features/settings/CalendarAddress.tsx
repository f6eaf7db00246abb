import { useState } from 'react';
import { localDay, nearDate } from '@glossarion/core/journal';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';
import { Line, Words } from '../../kit/Words';
import { copyAddress } from '../../screen/copy';
import {
  problemSentence,
  useCalendarAddressQuery,
  useMakeCalendarAddressMutation,
  useRevokeCalendarAddressMutation,
} from '../../state/api';
import { today } from '../../state/tasks';
import { colour } from '../../theme/tokens';

const FILE = '/api/calendar/tasks';

/** Tasks for calendar programs: as a file, and at a private address, which is shown once and can be revoked. */
export function CalendarAddress() {
  const { data } = useCalendarAddressQuery();
  const [make, { data: made, error: refusedToMake, reset }] = useMakeCalendarAddressMutation();
  const [revoke, { error: refusedToRevoke }] = useRevokeCalendarAddressMutation();
  const [isRevoked, setRevoked] = useState(false);
  const madeAt = data?.madeAt ?? null;
  const trouble = refusedToMake ?? refusedToRevoke;
  const takeAway = async () => {
    await revoke().unwrap();
    reset();
    setRevoked(true);
  };
  return (
    <Box>
      <Words tone={colour.soft}>
        Open tasks with a due day go out as an iCalendar file. A calendar program can follow them at a private address:
        whoever knows it can read those tasks, and nothing else.
      </Words>
      <Line look="calendar-file">
        <Way to={FILE} onOpen={() => window.location.assign(FILE)}>
          Tasks as a calendar file
        </Way>
      </Line>
      {made && (
        <Box role="group" aria-label="The private address">
          <Words role="status">It is shown this once; copy it now.</Words>
          <Line look="private-address">{made.address}</Line>
          <Action
            label="Copy the address"
            onPress={() => void copyAddress(made.address, made.address, 'the calendar')}
          />
        </Box>
      )}
      {!made && madeAt && (
        <Words>{`There is a private address since ${nearDate(localDay(new Date(madeAt)), today())}.`}</Words>
      )}
      {isRevoked && !madeAt && <Words role="status">The address is revoked. Nothing stands at it any more.</Words>}
      {trouble && (
        <Words role="alert" tone={colour.vermilion}>
          {problemSentence(trouble)}
        </Words>
      )}
      <Box look="tasks-ways">
        <Action
          label={madeAt ? 'Make another, and revoke this one' : 'Make a private address'}
          onPress={() => {
            setRevoked(false);
            void make();
          }}
        />
        {madeAt && (
          <Action
            label="Revoke the address"
            tone={colour.vermilion}
            onPress={() => void takeAway().catch(() => undefined)}
          />
        )}
      </Box>
    </Box>
  );
}
