import { later } from '../kit/later';

const DeskScreen = later(async () => (await import('../features/desk/DeskScreen')).DeskScreen);

export default function Desk() {
  return <DeskScreen />;
}
