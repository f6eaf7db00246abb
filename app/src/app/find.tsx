import { FindScreen } from '../features/find/findPart';

export default function Find() {
  return <FindScreen />;
}
