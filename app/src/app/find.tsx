import { FindScreen } from '../features/find/FindScreen';

export default function Find() {
  return <FindScreen />;
}
