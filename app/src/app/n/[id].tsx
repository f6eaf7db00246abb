import { useLocalSearchParams } from 'expo-router';
import { isId } from '@glossarion/core/document';
import { NotHere } from '../../screen/NotHere';
import { later } from '../../kit/later';

const NotebooksScreen = later(async () => (await import('../../features/outline/outlineParts')).NotebooksScreen);

export default function Notebook() {
  const { id } = useLocalSearchParams<{ id: string }>();
  if (!isId(id)) return <NotHere />;
  return <NotebooksScreen openId={id} />;
}
