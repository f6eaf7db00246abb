import { later } from '../features/shell/later';

const BinScreen = later(async () => (await import('../features/bin/BinScreen')).BinScreen);

export default function Bin() {
  return <BinScreen />;
}
