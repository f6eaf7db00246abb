import { Redirect } from 'expo-router';
import { localDay, monthPeriod } from '@glossarion/core/journal';

/** The month it is. */
export default function Review() {
  return <Redirect href={`/review/${monthPeriod(localDay(new Date()))}` as never} />;
}
