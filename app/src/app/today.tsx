import { DayScreen } from '../features/journal/DayScreen';

export default function Today() {
  return <DayScreen day={null} />;
}
