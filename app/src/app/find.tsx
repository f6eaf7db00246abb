import { later } from '../kit/later';

const FindScreen = later(async () => (await import('../features/find/FindScreen')).FindScreen);

export default function Find() {
  return <FindScreen />;
}
