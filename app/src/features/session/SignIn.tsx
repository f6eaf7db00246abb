import { rem } from '../../theme/rem';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { problemSentence, useMakeAccountMutation, useSignInMutation } from '../../state/api';
import type { SessionInfo } from '../../state/types';
import { colour } from '../../theme/tokens';
import { accountNameTrouble, invitationTrouble, passphraseTrouble } from '@glossarion/core/accounts';
import { Form, type FormLine } from '../../kit/Form';
import { Action } from '../../kit/Action';
import { Heading, Words } from '../../kit/Words';

/** The way in: sign in, or make an account. */
export function SignIn({ signUp, onDone }: { signUp: NonNullable<SessionInfo['signUp']>; onDone: () => void }) {
  const [isNew, setNew] = useState(false);
  const [signIn] = useSignInMutation();
  const [makeAccount] = useMakeAccountMutation();

  const submit = async ({ name = '', passphrase = '', invitation = '' }: Record<string, string>) => {
    try {
      const known = { name, passphrase };
      await (isNew ? makeAccount({ ...known, invitation }) : signIn(known)).unwrap();
      onDone();
      return null;
    } catch (error) {
      return { words: problemSentence(error), isTrouble: true };
    }
  };
  const lines: FormLine[] = [
    { name: 'name', label: 'Name', rule: accountNameTrouble, autoComplete: 'username', autoCapitalize: 'words' },
    {
      name: 'passphrase',
      label: 'Passphrase',
      rule: isNew ? passphraseTrouble : undefined,
      secureTextEntry: true,
      autoComplete: isNew ? 'new-password' : 'current-password',
    },
  ];
  if (isNew && signUp === 'with an invitation') {
    lines.push({ name: 'invitation', label: 'Invitation', rule: invitationTrouble, autoCapitalize: 'none' });
  }

  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: colour.ground }}
      contentContainerStyle={{ flexGrow: 1, justifyContent: 'center', padding: 24 }}
    >
      <View role="main" style={{ width: '100%', maxWidth: 400, marginHorizontal: 'auto' }}>
        <Heading level={1} look="title" style={{ fontSize: rem(42), marginBottom: 4 }}>
          Glossarion
        </Heading>
        <Words size={19} line={26} face="writing" tone={colour.soft} style={{ marginBottom: 28 }}>
          {isNew
            ? 'A place for your own notes. Nobody else can read them; a passphrase of several words keeps them so.'
            : 'Your notebooks, your journal, and everything that points from one to the other.'}
        </Words>
        <Form lines={lines} action={isNew ? 'Make account' : 'Sign in'} onSubmit={submit} />
        {signUp !== 'no' && (
          <View style={{ paddingTop: 10 }}>
            <Action
              label={isNew ? 'Sign in to an account that is there' : 'Make an account'}
              onPress={() => setNew(!isNew)}
            />
          </View>
        )}
      </View>
    </ScrollView>
  );
}
