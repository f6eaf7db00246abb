import { View } from 'react-native';
import { LANGUAGE_NAMES } from '@glossarion/core/languages/names';
import { WordChoice } from '../../kit/Choice';
import { Words } from '../../kit/Words';
import { useSetMutation, useSettingsQuery } from '../../state/api';
import { colour } from '../../theme/tokens';

const names = new Intl.DisplayNames('en', { type: 'language' });

/** Which languages somebody writes: in these, words are found in all their forms. */
export function WrittenLanguages() {
  const { data: settings } = useSettingsQuery();
  const [set] = useSetMutation();
  const written = settings?.languages ?? [];
  const take = (code: string) =>
    void set({
      key: 'languages',
      value: written.includes(code) ? written.filter((each) => each !== code) : [...written, code],
    });
  return (
    <>
      <Words tone={colour.soft}>
        Words are found in all their forms, in the language that their line is seen to be in. Where that is seen
        wrongly, choose those that you write.
      </Words>
      <View
        role="group"
        aria-label="Languages you write"
        style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 20, marginTop: 6 }}
      >
        {LANGUAGE_NAMES.map(({ code }) => (
          <WordChoice
            key={code}
            role="checkbox"
            words={names.of(code)!}
            isChosen={written.includes(code)}
            onPress={() => take(code)}
          />
        ))}
      </View>
    </>
  );
}
