import { tagPart } from '../../features/tags/tagPart';
import { later } from '../../kit/later';

const TagsScreen = later(tagPart('TagsScreen'));

export default function Tags() {
  return <TagsScreen />;
}
