import { Redirect } from 'expo-router';

/** The app opens on today's page. */
export default function Index() {
  return <Redirect href={'/today' as never} />;
}
