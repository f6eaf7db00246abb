import { replacePart } from '../features/replace/replacePart';
import { later } from '../kit/later';

const ReplaceScreen = later(replacePart('ReplaceScreen'));

export default function Replace() {
  return <ReplaceScreen />;
}
