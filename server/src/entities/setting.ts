import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** What somebody has set; the value is JSON. */
export interface Setting {
  ownerId: string;
  key: string;
  value: string;
}

export const SettingEntity = new EntitySchema<Setting>({
  name: 'Setting',
  tableName: 'settings',
  columns: { ownerId: key, key, value: text },
});
