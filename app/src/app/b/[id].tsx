import { useLocalSearchParams } from 'expo-router';
import { isId } from '@glossarion/core/document';
import { NotHere } from '../../screen/NotHere';
import { PageScreen } from '../../features/page/PageScreen';
import { Loading } from '../../kit/Loading';
import { open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { Trouble } from '../../kit/Trouble';
import { useBlockPlaceQuery } from '../../state/api';

/** The address of a block: its page, opened at it. */
export default function Block() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { currentData: place } = useBlockPlaceQuery(id, { skip: !isId(id) });
  if (place?.pageId) return <PageScreen key={id} pageId={place.pageId} blockId={place.blockId} />;
  if (!isId(id)) return <NotHere />;
  return (
    <Screen label="Line">
      {place ? (
        <Trouble
          title="Not here"
          sentence="The line this leads to is gone from its page."
          action={{ label: 'Find', onPress: () => open('/find') }}
        />
      ) : (
        <Loading />
      )}
    </Screen>
  );
}
