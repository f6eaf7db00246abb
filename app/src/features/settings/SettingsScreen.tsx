import { useContext, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useShelf } from '../../documents/session';
import { LocalStore } from '../../documents/localStore';
import { passphraseTrouble } from '@glossarion/core/accounts';
import {
  api,
  problemSentence,
  useChangePassphraseMutation,
  useSetMutation,
  useSettingsQuery,
  useSignOutMutation,
} from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { chooseMode, useModeChoice, type ModeChoice } from '../../theme/mode';
import { colour, measure } from '../../theme/tokens';
import { AccountContext } from '../../state/AccountContext';
import { leftDraft } from '../../state/jottings';
import { noteSignedOut } from '../../state/memory';
import { sendWaitingActs, waitingActs } from '../../state/waitingActs';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Form, type FormLine } from '../../kit/Form';
import { Radios } from '../../kit/Radios';
import { Way } from '../../kit/Way';
import { Line, Words } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { DayTemplates } from '../templates/DayTemplates';
import { CalendarAddress } from './CalendarAddress';
import { WrittenLanguages } from './WrittenLanguages';

const MODES: [ModeChoice, string][] = [
  ['system', 'As this device'],
  ['light', 'Light'],
  ['dark', 'Dark'],
];
/** How long signing out waits for what is not yet sent. */
const SETTLE = 5000;

export function SettingsScreen() {
  const account = useContext(AccountContext);
  useTitle('Settings');
  return (
    <Screen label="Settings" tone={colour.ground}>
      <View style={{ paddingHorizontal: 20, paddingTop: 18, maxWidth: 560 }}>
        <Words face="writing" size={30} line={36} weight="700" role="heading" aria-level={1}>
          Settings
        </Words>
        <Words tone={colour.soft}>Signed in as {account.name}</Words>
        <Part name="Light and dark">
          <ModeChoiceRow />
        </Part>
        <Part name="Keys">
          <LettersChoice />
        </Part>
        <Part name="Languages you write">
          <WrittenLanguages />
        </Part>
        <Part name="What days begin with">
          <DayTemplates />
        </Part>
        <Part name="Calendar">
          <CalendarAddress />
        </Part>
        <Part name="Notes in and out">
          <Words tone={colour.soft}>
            Everything can be taken out as files that any program reads, and taken in again.
          </Words>
          <Line look="calendar-file">
            <Way to="/in-and-out" onOpen={() => open('/in-and-out')}>
              Take notes in, or out
            </Way>
          </Line>
        </Part>
        <Part name="Passphrase">
          <PassphraseForm />
        </Part>
        <Part name="Sign out">
          <SignOut />
        </Part>
      </View>
    </Screen>
  );
}

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <View style={{ paddingTop: 26 }}>
      <Words
        face="capitals"
        size={19}
        weight="700"
        tone={colour.soft}
        role="heading"
        aria-level={2}
        style={{ borderBottomWidth: 1, borderBottomColor: colour.rule, marginBottom: 10, textTransform: 'lowercase' }}
      >
        {name}
      </Words>
      {children}
    </View>
  );
}

function ModeChoiceRow() {
  const choice = useModeChoice();
  const words = (mode: ModeChoice) => MODES.find(([each]) => each === mode)![1];
  return (
    <Radios
      label="Light and dark"
      values={MODES.map(([mode]) => mode)}
      words={words}
      chosen={choice}
      onChoose={chooseMode}
    />
  );
}

/** Single letters can be turned off, for those who write by voice or strike keys by chance. */
function LettersChoice() {
  const { data: settings } = useSettingsQuery();
  const [set] = useSetMutation();
  const isOn = settings?.letters !== false;
  return (
    <Choice
      role="switch"
      aria-checked={isOn}
      aria-label="Single letters act out of text"
      onPress={() => void set({ key: 'letters', value: !isOn })}
      style={{ minHeight: measure.touch, justifyContent: 'center' }}
    >
      <Words size={17}>
        Single letters act out of text:{' '}
        <Words size={17} weight="700">
          {isOn ? 'on' : 'off'}
        </Words>
      </Words>
      <Words tone={colour.soft}>Pressing Shift twice opens them along the bottom in any case.</Words>
    </Choice>
  );
}

const PASSPHRASES: FormLine[] = [
  { name: 'present', label: 'Present passphrase', secureTextEntry: true, autoComplete: 'current-password' },
  {
    name: 'next',
    label: 'New passphrase',
    rule: passphraseTrouble,
    secureTextEntry: true,
    autoComplete: 'new-password',
  },
];

function PassphraseForm() {
  const [change] = useChangePassphraseMutation();
  const submit = async ({ present = '', next = '' }: Record<string, string>) => {
    try {
      await change({ present, next }).unwrap();
      return { words: 'The passphrase is changed. Other devices have to sign in again.', isTrouble: false };
    } catch (error) {
      return { words: problemSentence(error), isTrouble: true };
    }
  };
  return <Form lines={PASSPHRASES} action="Change passphrase" onSubmit={submit} />;
}

function SignOut() {
  const account = useContext(AccountContext);
  const { library } = useShelf();
  const dispatch = useAppDispatch();
  const [signOut, { isLoading }] = useSignOutMutation();
  const [trouble, setTrouble] = useState<string | null>(null);
  const leave = async () => {
    if (leftDraft()) {
      setTrouble('Something is still being jotted down. Open Jot and keep it, or delete its words, then sign out.');
      return;
    }
    await sendWaitingActs(account.id);
    if (waitingActs().length > 0 || !(await library.settle(SETTLE))) {
      setTrouble('Some of what was written has not reached the server yet. It stays here; sign out when it is saved.');
      return;
    }
    try {
      await signOut().unwrap();
    } catch (error) {
      setTrouble(problemSentence(error));
      return;
    }
    noteSignedOut();
    library.close();
    await LocalStore.wipe(account.id);
    dispatch(api.util.resetApiState());
    window.location.assign('/today');
  };
  return (
    <View>
      <Words tone={colour.soft} style={{ paddingBottom: 10 }}>
        What this browser keeps of your notes is deleted from it. They stay on the server.
      </Words>
      {trouble && (
        <Words role="alert" tone={colour.vermilion} style={{ paddingBottom: 8 }}>
          {trouble}
        </Words>
      )}
      <Button label="Sign out" onPress={() => void leave()} isBusy={isLoading} />
    </View>
  );
}
