import { later } from '../features/shell/later';

const SettingsScreen = later(async () => (await import('../features/settings/SettingsScreen')).SettingsScreen);

export default function Settings() {
  return <SettingsScreen />;
}
