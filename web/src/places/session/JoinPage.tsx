import { deviceNameSchema, shownCode } from '@fennot/core';
import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { api } from '../../api/client.ts';
import { deviceName } from '../../api/device-name.ts';
import { say } from '../../api/windows.ts';
import { FormField } from '../../ui/FormField.tsx';
import { AccountForm, checked } from './AccountForm.tsx';
import { Doorstep } from './Doorstep.tsx';
import { SendButton, Trouble, useSending } from './sending.tsx';

/**
 * The code behind the # of the address: it is never sent with the address, and does not stay in it, so that it lies in no log
 * and no history.
 */
function takeCode(): string {
  const code = window.location.hash.slice(1);
  if (code) window.history.replaceState(window.history.state, '', window.location.pathname);
  return code;
}

/** In, and on to one's bags, on a page that knows nothing of who was here before. */
const enter = () => {
  say({ of: 'session', is: 'changed' });
  window.location.assign('/');
};

/** What does not work over a line that this browser does not trust. */
const untrusted = () =>
  window.isSecureContext
    ? undefined
    : 'This line is not closed, or not trusted: passkeys do not work over it, the screen may go dark beside the work, and the page needs the network each time it is opened. Saving keeps all its promises.';

/** A device joins an account by a code that another one shows. */
export function JoinPage() {
  const [code] = useState(takeCode);
  const sending = useSending();
  const { register, handleSubmit, setFocus, formState } = useForm({
    mode: 'onTouched',
    defaultValues: { code: shownCode(code), device: deviceName() },
  });
  useEffect(() => setFocus(code ? 'device' : 'code'), [code, setFocus]);
  const send = handleSubmit(({ code: typed, device }) =>
    sending.send(async () => {
      await api.join(typed, device);
      enter();
    }),
  );
  return (
    <Doorstep
      title="Join this device"
      text="It becomes a device of the account that shows the code, and can be signed out from any other."
    >
      <form onSubmit={(event) => void send(event)} className="flex flex-col gap-3">
        <FormField
          label="Code"
          autoComplete="one-time-code"
          autoCapitalize="characters"
          spellCheck={false}
          required
          hint="Good once, for two minutes."
          {...register('code')}
        />
        <FormField
          label="Name of this device"
          required
          problem={formState.errors.device?.message}
          {...register('device', { validate: checked(deviceNameSchema) })}
        />
        <Trouble sending={sending} />
        <SendButton sending={sending} waiting="Joining ...">
          Join
        </SendButton>
      </form>
      <p className="text-sm text-soft">{untrusted()}</p>
    </Doorstep>
  );
}

/** Another maker has been invited. */
export function InvitedPage() {
  const [code] = useState(takeCode);
  return (
    <Doorstep
      title="An account of your own"
      text="You were invited to this Fennot. What you make here is yours alone: nobody else sees it."
    >
      <AccountForm
        code={code ? { is: code } : { standsIn: 'the invitation' }}
        button="Make the account"
        onIn={enter}
      />
    </Doorstep>
  );
}
