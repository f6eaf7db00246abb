import { Button, Input } from '@rneui/themed';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { problemSentence, useMakeAccountMutation, useSignInMutation } from '../../state/api';
import type { SessionInfo } from '../../state/types';
import { colour } from '../../theme/tokens';
import { Action } from '../shell/Action';
import { Words } from '../shell/Words';

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
        <h1 className="title" style={{ fontSize: 42, marginBottom: 4 }}>
          Glossarion
        </h1>
        <Words size={19} line={26} face="writing" tone={colour.soft} style={{ marginBottom: 28 }}>
          {isNew
            ? 'A place for your own notes. Nobody else can read them; a passphrase of several words keeps them so.'
            : 'Your notebooks, your journal, and everything that points from one to the other.'}
        </Words>
        <Controller
          control={control}
          name="name"
          rules={{ validate: (name) => name.trim() !== '' || 'A name is needed.' }}
          render={({ field, fieldState }) => (
            <Input
              label="Name"
              aria-label="Name"
              autoComplete="username"
              autoCapitalize="words"
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              onSubmitEditing={() => void submit()}
              errorMessage={fieldState.error?.message}
            />
          )}
        />
        <Controller
          control={control}
          name="passphrase"
          rules={{
            validate: (passphrase) =>
              !isNew || passphrase.length >= 8 || 'A passphrase needs eight characters or more.',
          }}
          render={({ field, fieldState }) => (
            <Input
              label="Passphrase"
              aria-label="Passphrase"
              secureTextEntry
              autoComplete={isNew ? 'new-password' : 'current-password'}
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              onSubmitEditing={() => void submit()}
              errorMessage={fieldState.error?.message}
            />
          )}
        />
        {isNew && signUp === 'with an invitation' && (
          <Controller
            control={control}
            name="invitation"
            rules={{ validate: (invitation) => invitation.trim() !== '' || 'An invitation is needed.' }}
            render={({ field, fieldState }) => (
              <Input
                label="Invitation"
                aria-label="Invitation"
                autoCapitalize="none"
                value={field.value}
                onChangeText={field.onChange}
                onBlur={field.onBlur}
                onSubmitEditing={() => void submit()}
                errorMessage={fieldState.error?.message}
              />
            )}
          />
        )}
        {trouble && (
          <Words tone={colour.vermilion} role="alert" style={{ paddingBottom: 12 }}>
            {trouble}
          </Words>
        )}
        <Button
          title={isNew ? 'Make account' : 'Sign in'}
          onPress={() => void submit()}
          loading={signing.isLoading || making.isLoading}
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
