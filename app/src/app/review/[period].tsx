import { useLocalSearchParams } from 'expo-router';
import { isDay, isPeriod } from '@glossarion/core/journal';
import { lateSheet } from '../../kit/lateSheet';
import { later } from '../../kit/later';
import { NotHere } from '../../screen/NotHere';

const ReviewScreen = later(async () => {
  const [{ ReviewScreen: Part }] = await Promise.all([import('../../features/review/ReviewScreen'), lateSheet()]);
  return Part;
});

export default function Review() {
  const { period } = useLocalSearchParams<{ period: string }>();
  if (!isPeriod(period) && !(/^\d{4}$/u.test(period) && isDay(`${period}-01-01`))) return <NotHere />;
  return <ReviewScreen period={period} />;
}
