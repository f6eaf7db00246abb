import { useLocalSearchParams } from 'expo-router';
import { PageScreen } from '../../features/page/PageScreen';

export default function Page() {
  const { id, at } = useLocalSearchParams<{ id: string; at?: string }>();
  return <PageScreen key={id} pageId={id} isNew={at === 'title'} />;
}
