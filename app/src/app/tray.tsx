import { later } from '../kit/later';

const TrayScreen = later(async () => (await import('../features/tray/part')).TrayScreen);

export default function Tray() {
  return <TrayScreen />;
}
