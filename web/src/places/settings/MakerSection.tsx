import { makerNameSchema, type SessionNow } from '@fennot/core';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { api } from '../../api/client.ts';
import { makerNow, signedIn } from '../../api/maker.ts';
import { useSessionChanged } from '../../api/session.ts';
import { forgetSent } from '../../make/log/idb-shelf.ts';
import { dropBagsOf } from '../../offline/kept-bags.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { AccountForm, checked } from '../session/AccountForm.tsx';
import { SettingsSection } from './SettingsSection.tsx';
import { toldWhy } from './told.ts';

/** Signs this device out. What is unsaved or unsent stays in this browser, for the same maker; the rest of their logs goes. */
export async function signOutHere(changed: (session: SessionNow) => void): Promise<void> {
  const maker = makerNow();
  try {
    changed(await api.signOut());
    if (maker) await Promise.all([forgetSent(maker.id), dropBagsOf(maker.id)]).catch(() => undefined);
    window.location.assign('/');
  } catch (error) {
    toldWhy(error);
  }
}

/** Before there is an account: what one would be good for, and how it is made. */
export function MakeMine() {
  const changed = useSessionChanged();
  return (
    <SettingsSection
      id="mine"
      title="Make this mine"
      text="Fennot works without an account. With one you sign in, your phone can lie beside the work, and nobody else at this machine opens your bags. All that is here becomes yours."
    >
      <div className="w-full max-w-sm">
        <AccountForm
          code="none"
          button="Make it mine"
          onIn={(session) => {
            changed(session);
            signedIn();
            toast.success('It is yours. Have recovery codes made, for the day the password is lost.');
          }}
        />
      </div>
    </SettingsSection>
  );
}

/** The maker's name, and the way out. */
export function MakerSection({ name }: { readonly name: string }) {
  const changed = useSessionChanged();
  const { register, handleSubmit, formState } = useForm({ mode: 'onTouched', values: { name } });
  const send = handleSubmit(async (typed) => {
    try {
      const session = await api.rename(typed.name);
      changed(session);
      toast.success(`You are ${typed.name} now, and sign in by that name.`);
    } catch (error) {
      toldWhy(error);
    }
  });
  return (
    <SettingsSection
      id="you"
      title="You"
      text="You sign in by this name. In capitals or small letters is the same."
    >
      <form onSubmit={(event) => void send(event)} className="flex w-full max-w-sm items-start gap-2">
        <div className="grow">
          <FormField
            label="Name"
            autoComplete="username"
            problem={formState.errors.name?.message}
            {...register('name', { validate: checked(makerNameSchema) })}
          />
        </div>
        <Button
          type="submit"
          className="mt-6 min-h-10"
          disabled={!formState.isDirty || formState.isSubmitting}
        >
          Change
        </Button>
      </form>
      <Button onClick={() => void signOutHere(changed)}>Sign out on this device</Button>
    </SettingsSection>
  );
}
