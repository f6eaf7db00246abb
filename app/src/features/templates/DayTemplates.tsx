import { View } from 'react-native';
import { PickOne } from '../../kit/PickOne';
import { Words } from '../../kit/Words';
import { useSetMutation, useSettingsQuery, useTemplatesQuery } from '../../state/api';
import { colour } from '../../theme/tokens';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** Chooses the templates that days begin with: one for every day, others for some days of the week. */
export function DayTemplates() {
  const { data: templates = [] } = useTemplatesQuery();
  const { data: settings } = useSettingsQuery();
  const [set] = useSetMutation();
  const chosen = settings?.dayTemplates ?? { every: null, weekdays: {} };
  const choose = (changes: Partial<typeof chosen>) =>
    void set({ key: 'dayTemplates', value: { ...chosen, ...changes } });
  const options = (empty: string) => [
    { value: null, words: empty },
    ...templates.map(({ id, title }) => ({ value: id, words: title })),
  ];
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
      <PickOne<string | null>
        label="Every day"
        value={chosen.every}
        options={options('The shipped headings')}
        onPick={(every) => choose({ every })}
      />
      {DAYS.map((name, index) => {
        const weekday = String((index + 1) % 7);
        return (
          <PickOne<string | null>
            key={name}
            label={name}
            value={chosen.weekdays[weekday] ?? null}
            options={options('As every day')}
            onPick={(template) => choose({ weekdays: { ...chosen.weekdays, [weekday]: template } })}
          />
        );
      })}
    </View>
  );
}
