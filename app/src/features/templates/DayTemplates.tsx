import { View } from 'react-native';
import { useSetMutation, useSettingsQuery, useTemplatesQuery } from '../../state/api';
import { colour } from '../../theme/tokens';
import { Words } from '../shell/Words';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** Chooses the templates that days begin with: one for every day, others for some days of the week. */
export function DayTemplates() {
  const { data: templates = [] } = useTemplatesQuery();
  const { data: settings } = useSettingsQuery();
  const [set] = useSetMutation();
  const chosen = settings?.dayTemplates ?? { every: null, weekdays: {} };
  const choose = (changes: Partial<typeof chosen>) =>
    void set({ key: 'dayTemplates', value: { ...chosen, ...changes } });
  const options = (empty: string) => (
    <>
      <option value="">{empty}</option>
      {templates.map(({ id, title }) => (
        <option key={id} value={id}>
          {title}
        </option>
      ))}
    </>
  );
  if (templates.length === 0) {
    return (
      <Words tone={colour.soft}>
        Days begin with the shipped headings. Any page can be a template for them: choose “Make this a template” in its
        menu.
      </Words>
    );
  }
  return (
    <View style={{ rowGap: 6 }}>
      <label className="choice-line">
        Every day
        <select value={chosen.every ?? ''} onChange={(event) => choose({ every: event.target.value || null })}>
          {options('The shipped headings')}
        </select>
      </label>
      {DAYS.map((name, index) => {
        const weekday = String((index + 1) % 7);
        return (
          <label key={name} className="choice-line">
            {name}
            <select
              value={chosen.weekdays[weekday] ?? ''}
              onChange={(event) => choose({ weekdays: { ...chosen.weekdays, [weekday]: event.target.value || null } })}
            >
              {options('As every day')}
            </select>
          </label>
        );
      })}
    </View>
  );
}
