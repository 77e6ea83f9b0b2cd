import { makerNameSchema, newPasswordSchema, PASSWORD, type SessionNow } from '@fennot/core';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';
import { api } from '../../api/client.ts';
import { FormField } from '../../ui/FormField.tsx';
import { PasswordStrength } from './PasswordStrength.tsx';
import { SendButton, Trouble, useSending } from './sending.tsx';

interface AccountFormProps {
  /** What has to be typed beside a name and a password. */
  readonly code: 'none' | { readonly is: string } | { readonly standsIn: string };
  readonly button: string;
  readonly onIn: (session: SessionNow) => void;
}

/** The first thing that is wrong with a field. */
export const checked = (schema: z.ZodType) => (text: string) =>
  schema.safeParse(text).error?.issues[0]?.message ?? true;

/** Makes an account: a name, a password, and what lets one make it. */
export function AccountForm({ code, button, onIn }: AccountFormProps) {
  const { register, handleSubmit, watch, formState } = useForm({
    mode: 'onTouched',
    defaultValues: { name: '', password: '', code: '' },
  });
  const { errors } = formState;
  const sending = useSending();
  const send = handleSubmit((typed) =>
    sending.send(async () => {
      const own = code === 'none' ? undefined : 'is' in code ? code.is : typed.code;
      onIn(await api.makeAccount(typed.name, typed.password, own));
    }),
  );
  return (
    <form noValidate onSubmit={(event) => void send(event)} className="flex flex-col gap-3">
      {code !== 'none' && 'standsIn' in code && (
        <FormField
          label="Code"
          autoComplete="one-time-code"
          autoCapitalize="characters"
          spellCheck={false}
          required
          hint={`It stands in ${code.standsIn}.`}
          {...register('code')}
        />
      )}
      <FormField
        label="Name"
        autoComplete="username"
        required
        hint="You sign in by it."
        problem={errors.name?.message}
        {...register('name', { validate: checked(makerNameSchema) })}
      />
      <FormField
        label="Password"
        secret
        autoComplete="new-password"
        required
        hint={`At least ${PASSWORD.least} characters: four or five words of your own will do.`}
        problem={errors.password?.message}
        {...register('password', { validate: checked(newPasswordSchema) })}
      />
      <PasswordStrength password={watch('password')} name={watch('name')} />
      <Trouble sending={sending} />
      <SendButton sending={sending}>{button}</SendButton>
    </form>
  );
}
