import { BinScreen } from '../features/bin/BinScreen';

export default function Bin() {
  return <BinScreen />;
}
