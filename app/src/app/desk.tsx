import { DeskScreen } from '../features/desk/DeskScreen';

export default function Desk() {
  return <DeskScreen />;
}
