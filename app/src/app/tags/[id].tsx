import { useLocalSearchParams } from 'expo-router';
import { isId } from '@glossarion/core/document';
import { tagPart } from '../../features/tags/tagPart';
import { later } from '../../kit/later';
import { NotHere } from '../../screen/NotHere';

const TagScreen = later(tagPart('TagScreen'));

export default function Tag() {
  const { id } = useLocalSearchParams<{ id: string }>();
  if (!isId(id)) return <NotHere />;
  return <TagScreen key={id} tagId={id} />;
}
