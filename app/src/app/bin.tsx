import { later } from '../kit/later';

const BinScreen = later(async () => (await import('../features/bin/BinScreen')).BinScreen);

export default function Bin() {
  return <BinScreen />;
}
