import { Link } from 'expo-router';
import { useContext, useEffect } from 'react';
import { Pressable, View } from 'react-native';
import { useRecentQuery } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { goOpened, keysOpened } from '../../state/view';
import { colour, measure, pigmentColour } from '../../theme/tokens';
import { AccountContext } from '../session/AccountContext';
import { Action } from '../shell/Action';
import { addressOf, open } from '../shell/navigation';
import { Screen } from '../shell/Screen';
import { Words } from '../shell/Words';
import { trailWords } from '../trail/words';

/** The first screen: what was changed lately, and the way to everything else. */
export function DeskScreen() {
  const { data: recent } = useRecentQuery();
  const { name } = useContext(AccountContext);
  const dispatch = useAppDispatch();
  useEffect(() => {
    document.title = 'Desk · Glossarion';
  }, []);
  return (
    <Screen label="Desk" tone={colour.ground}>
      <View style={{ paddingHorizontal: 20, paddingTop: 18, maxWidth: 680 }}>
        <Words face="writing" size={30} line={36} weight="700" role="heading" aria-level={1}>
          Desk
        </Words>
        <Words tone={colour.soft}>{name}</Words>
        <Words
          face="capitals"
          size={19}
          weight="700"
          tone={colour.soft}
          role="heading"
          aria-level={2}
          style={{ paddingTop: 20, paddingBottom: 2, borderBottomWidth: 1, borderBottomColor: colour.rule }}
        >
          changed lately
        </Words>
        {recent?.length === 0 && (
          <Words size={18} tone={colour.soft} style={{ paddingTop: 10 }}>
            What you write comes to stand here. Today’s page is ready.
          </Words>
        )}
        {recent?.map((target) => (
          <Link key={target.id} href={addressOf(target) as never} asChild>
            <Pressable
              role="link"
              style={{
                minHeight: measure.touch,
                marginTop: 8,
                paddingLeft: 12,
                justifyContent: 'center',
                borderLeftWidth: 3,
                borderLeftColor: pigmentColour(target.day ? null : target.pigment),
              }}
            >
              <Words face="writing" size={19} weight="700">
                {target.title}
              </Words>
              <Words size={15} tone={colour.soft}>
                {target.day ? 'Journal' : trailWords(target.trail)}
              </Words>
            </Pressable>
          </Link>
        ))}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingTop: 20 }}>
          <Action label="Open Today" onPress={() => open('/today')} />
          <Action label="Go to" onPress={() => dispatch(goOpened(true))} />
          <Action label="Settings" onPress={() => open('/settings')} />
          <Action label="Keys" onPress={() => dispatch(keysOpened(true))} />
        </View>
      </View>
    </Screen>
  );
}
