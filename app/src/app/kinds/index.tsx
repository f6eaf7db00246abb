import { kindPart } from '../../features/kinds/kindPart';
import { later } from '../../kit/later';

const KindsScreen = later(kindPart('KindsScreen'));

export default function Kinds() {
  return <KindsScreen />;
}
