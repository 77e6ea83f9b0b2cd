import type { SessionNow } from '@fennot/core';
import { Fingerprint } from 'lucide-react';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { api } from '../../api/client.ts';
import { passkeysWork, signWithPasskey } from '../../api/passkeys.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { SendButton, Trouble, useSending } from './sending.tsx';

interface SignInFormProps {
  readonly onIn: (session: SessionNow) => void;
}

interface Typed {
  readonly name: string;
  readonly password: string;
  readonly code: string;
}

/** What is asked for. */
type Step = 'password' | 'passkey' | 'recovery';

/** A name with its password, a passkey, or a recovery code. */
export function SignInForm({ onIn }: SignInFormProps) {
  const { register, handleSubmit } = useForm<Typed>({
    defaultValues: { name: '', password: '', code: '' },
  });
  const [step, setStep] = useState<Step>('password');
  const sending = useSending();
  const byPasskey = () => sending.send(async () => onIn(await signWithPasskey()));
  const send = handleSubmit(({ name, password, code }) =>
    sending.send(async () => {
      if (step === 'recovery') return onIn(await api.recover(name, code));
      const session = await api.signIn(name, password);
      if (session.is !== 'passkey') return onIn(session);
      setStep('passkey');
      onIn(await signWithPasskey());
    }),
  );
  if (step === 'passkey')
    return (
      <div className="flex flex-col gap-3">
        <p>The password is right. This account asks for a passkey, too.</p>
        <Trouble sending={sending} />
        <Button look="main" disabled={sending.busy} onClick={() => void byPasskey()}>
          <Fingerprint size={16} /> Use the passkey
        </Button>
        <Button look="bare" onClick={() => setStep('password')}>
          Begin again
        </Button>
      </div>
    );
  const recovery = step === 'recovery';
  return (
    <form onSubmit={(event) => void send(event)} className="flex flex-col gap-3">
      <FormField label="Name" autoComplete="username" autoCapitalize="none" required {...register('name')} />
      {recovery ? (
        <FormField
          key="code"
          label="Recovery code"
          autoComplete="one-time-code"
          autoCapitalize="characters"
          spellCheck={false}
          required
          hint="One of those you were told to keep. It is used up by this."
          {...register('code')}
        />
      ) : (
        <FormField
          key="password"
          label="Password"
          secret
          autoComplete="current-password"
          required
          {...register('password')}
        />
      )}
      <Trouble sending={sending} />
      <SendButton sending={sending} waiting="Signing in ...">
        Sign in
      </SendButton>
      {!recovery && passkeysWork() && (
        <Button disabled={sending.busy} onClick={() => void byPasskey()}>
          <Fingerprint size={16} /> Use a passkey
        </Button>
      )}
      <Button
        look="bare"
        onClick={() => {
          sending.clear();
          setStep(recovery ? 'password' : 'recovery');
        }}
      >
        {recovery ? 'Use the password' : 'The password is lost'}
      </Button>
    </form>
  );
}
