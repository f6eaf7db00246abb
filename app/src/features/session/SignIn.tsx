import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { problemSentence, useMakeAccountMutation, useSignInMutation } from '../../state/api';
import type { SessionInfo } from '../../state/types';
import { colour } from '../../theme/tokens';
import { accountNameTrouble, invitationTrouble, passphraseTrouble } from '@glossarion/core/accounts';
import { Button } from '../../kit/Button';
import { FormField } from '../../kit/Field';
import { Action } from '../../kit/Action';
import { Heading, Words } from '../../kit/Words';

interface Fields {
  name: string;
  passphrase: string;
  invitation: string;
}

/** The way in: sign in, or make an account. */
export function SignIn({ signUp, onDone }: { signUp: NonNullable<SessionInfo['signUp']>; onDone: () => void }) {
  const [isNew, setNew] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [signIn, signing] = useSignInMutation();
  const [makeAccount, making] = useMakeAccountMutation();
  const { control, handleSubmit, clearErrors } = useForm<Fields>({
    defaultValues: { name: '', passphrase: '', invitation: '' },
  });

  const submit = handleSubmit(async (fields) => {
    setTrouble(null);
    try {
      const { invitation, ...known } = fields;
      await (isNew ? makeAccount({ ...known, invitation }) : signIn(known)).unwrap();
      onDone();
    } catch (error) {
      setTrouble(problemSentence(error));
    }
  });

  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: colour.ground }}
      contentContainerStyle={{ flexGrow: 1, justifyContent: 'center', padding: 24 }}
    >
      <View role="main" style={{ width: '100%', maxWidth: 400, marginHorizontal: 'auto' }}>
        <Heading level={1} look="title" style={{ fontSize: 42, marginBottom: 4 }}>
          Glossarion
        </Heading>
        <Words size={19} line={26} face="writing" tone={colour.soft} style={{ marginBottom: 28 }}>
          {isNew
            ? 'A place for your own notes. Nobody else can read them; a passphrase of several words keeps them so.'
            : 'Your notebooks, your journal, and everything that points from one to the other.'}
        </Words>
        <FormField
          control={control}
          name="name"
          label="Name"
          rule={accountNameTrouble}
          autoComplete="username"
          autoCapitalize="words"
          onSubmitEditing={() => void submit()}
        />
        <FormField
          control={control}
          name="passphrase"
          label="Passphrase"
          rule={isNew ? passphraseTrouble : undefined}
          secureTextEntry
          autoComplete={isNew ? 'new-password' : 'current-password'}
          onSubmitEditing={() => void submit()}
        />
        {isNew && signUp === 'with an invitation' && (
          <FormField
            control={control}
            name="invitation"
            label="Invitation"
            rule={invitationTrouble}
            autoCapitalize="none"
            onSubmitEditing={() => void submit()}
          />
        )}
        {trouble && (
          <Words tone={colour.vermilion} role="alert" style={{ paddingBottom: 12 }}>
            {trouble}
          </Words>
        )}
        <Button
          label={isNew ? 'Make account' : 'Sign in'}
          onPress={() => void submit()}
          isBusy={signing.isLoading || making.isLoading}
        />
        {signUp !== 'no' && (
          <View style={{ paddingTop: 10 }}>
            <Action
              label={isNew ? 'Sign in to an account that is there' : 'Make an account'}
              onPress={() => {
                setNew(!isNew);
                setTrouble(null);
                clearErrors();
              }}
            />
          </View>
        )}
      </View>
    </ScrollView>
  );
}
