import { SettingsScreen } from '../features/settings/SettingsScreen';

export default function Settings() {
  return <SettingsScreen />;
}
