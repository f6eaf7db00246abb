import { useLocalSearchParams } from 'expo-router';
import { NotebooksScreen } from '../../features/outline/NotebooksScreen';

export default function Notebook() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <NotebooksScreen openId={id} />;
}
