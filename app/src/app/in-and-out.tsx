import { worksPart } from '../features/works/worksPart';
import { later } from '../kit/later';

const WorksScreen = later(worksPart('WorksScreen'));

export default function InAndOut() {
  return <WorksScreen />;
}
