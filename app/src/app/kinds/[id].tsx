import { useLocalSearchParams } from 'expo-router';
import { isId } from '@glossarion/core/document';
import { kindPart } from '../../features/kinds/kindPart';
import { later } from '../../kit/later';
import { NotHere } from '../../screen/NotHere';

const KindScreen = later(kindPart('KindScreen'));

export default function Kind() {
  const { id } = useLocalSearchParams<{ id: string }>();
  if (!isId(id)) return <NotHere />;
  return <KindScreen key={id} kindId={id} />;
}
