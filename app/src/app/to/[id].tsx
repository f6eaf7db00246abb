import { Redirect, useLocalSearchParams } from 'expo-router';
import { useEffect } from 'react';
import { isId } from '@glossarion/core/document';
import { NotHere } from '../../screen/NotHere';
import { Loading } from '../../kit/Loading';
import { addressOf, open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { Trouble } from '../../kit/Trouble';
import { useAppSelector, wantTargets } from '../../state/store';

/** The address in a link: whatever its target is, it is opened where it now stands. */
export default function LinkedTo() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const target = useAppSelector((state) => state.targets.known[id]);
  useEffect(() => {
    if (isId(id)) wantTargets([id]);
  }, [id]);

  if (target && target.state !== 'gone') return <Redirect href={addressOf(target) as never} />;
  if (!isId(id)) return <NotHere />;
  return (
    <Screen label="Link">
      {target ? (
        <Trouble
          title="Gone"
          sentence="What this link led to is gone for good."
          action={{ label: 'Find', onPress: () => open('/find') }}
        />
      ) : (
        <Loading />
      )}
    </Screen>
  );
}
