import { makerNameSchema, newPasswordSchema, PASSWORD, type SessionNow } from '@fennot/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';
import { api } from '../../api/client.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { PasswordStrength } from './PasswordStrength.tsx';
import { Trouble } from './SignInForm.tsx';

interface AccountFormProps {
  /** What has to be typed beside a name and a password. */
  readonly code: 'none' | 'typed' | { readonly is: string };
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
  const { errors, isSubmitting } = formState;
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const send = handleSubmit(async (typed) => {
    setProblem(undefined);
    const own = code === 'none' ? undefined : code === 'typed' ? typed.code : code.is;
    try {
      onIn(await api.makeAccount(typed.name, typed.password, own));
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'No account was made.');
    }
  });
  return (
    <form noValidate onSubmit={(event) => void send(event)} className="flex flex-col gap-3">
      {code === 'typed' && (
        <FormField
          label="Code"
          autoComplete="one-time-code"
          autoCapitalize="characters"
          spellCheck={false}
          required
          hint="It stands in the terminal in which Fennot was started."
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
      <Trouble problem={problem} />
      <Button look="main" type="submit" disabled={isSubmitting}>
        {isSubmitting ? 'A moment ...' : button}
      </Button>
    </form>
  );
}
