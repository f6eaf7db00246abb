import { later } from '../kit/later';

const SettingsScreen = later(async () => (await import('../features/settings/SettingsScreen')).SettingsScreen);

export default function Settings() {
  return <SettingsScreen />;
}
