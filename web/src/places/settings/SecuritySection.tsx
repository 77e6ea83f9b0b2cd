import { type Account, newPasswordSchema, PASSWORD, shownCode } from '@fennot/core';
import { formatDistanceToNow } from 'date-fns';
import { Download, Fingerprint, KeyRound } from 'lucide-react';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { useAccountChanged, useOutbox } from '../../api/account.ts';
import { api } from '../../api/client.ts';
import { deviceName } from '../../api/device-name.ts';
import { makePasskey, passkeysWork, passkeyTrouble } from '../../api/passkeys.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { saveText } from '../../ui/files.ts';
import { Modal } from '../../ui/Modal.tsx';
import { Switcher } from '../../ui/Switcher.tsx';
import { checked } from '../session/AccountForm.tsx';
import { PasswordStrength } from '../session/PasswordStrength.tsx';
import { useConfirmed } from './confirming.tsx';
import { SettingsSection } from './SettingsSection.tsx';
import { toldWhy } from './told.ts';

const ago = (when: string) => formatDistanceToNow(new Date(when), { addSuffix: true });

/** What lets into the account: password, passkeys, recovery codes; and what the maker was told of it. */
export function SecuritySection({ account }: { readonly account: Account }) {
  const confirmed = useConfirmed();
  const changed = useAccountChanged();
  const [codes, setCodes] = useState<readonly string[] | undefined>(undefined);
  const [changing, setChanging] = useState(false);
  const { codesLeft, password, passkeys, both } = account;
  const makeCodes = async () => {
    try {
      setCodes((await confirmed(api.recoveryCodes)).codes);
      changed();
    } catch (error) {
      toldWhy(error);
    }
  };
  const setBoth = async (next: boolean) => {
    try {
      changed(await confirmed(() => api.setBoth(next)));
    } catch (error) {
      toldWhy(error);
    }
  };
  return (
    <SettingsSection
      id="security"
      title="Security"
      text="What lets into your account. Whatever changes it asks anew who is there."
    >
      <Row
        title="Password"
        says={
          password ? 'Kept so that nobody can read it, this machine included.' : 'None: only passkeys let in.'
        }
      >
        <Button small onClick={() => setChanging(true)}>
          <KeyRound size={14} /> {password ? 'Change it' : 'Have one'}
        </Button>
      </Row>
      <Row
        title="Recovery codes"
        says={
          codesLeft === 0
            ? 'None yet. Without them a lost password cannot be helped: there is no mail to send a new one.'
            : `${codesLeft} left. Each lets in once, without the password.`
        }
        warns={codesLeft === 0}
      >
        <Button small look={codesLeft === 0 ? 'main' : 'plain'} onClick={() => void makeCodes()}>
          {codesLeft === 0 ? 'Make them' : 'Make new ones'}
        </Button>
      </Row>
      <Passkeys account={account} />
      {passkeys.length > 0 && password && (
        <Row
          title="To sign in with the password"
          says={
            both
              ? 'It takes the password and a passkey.'
              : 'The password is enough; a passkey is enough, too.'
          }
        >
          <Switcher
            label="To sign in with the password"
            value={both ? 'both' : 'either'}
            options={[
              { value: 'either', label: 'Enough' },
              { value: 'both', label: 'And a passkey' },
            ]}
            onChange={(value) => void setBoth(value === 'both')}
          />
        </Row>
      )}
      <Messages />
      {codes && <CodesModal codes={codes} onClose={() => setCodes(undefined)} />}
      {changing && <PasswordModal account={account} onClose={() => setChanging(false)} />}
    </SettingsSection>
  );
}

interface RowProps {
  readonly title: string;
  readonly says: string;
  readonly warns?: boolean;
  readonly children: React.ReactNode;
}

const Row = ({ title, says, warns, children }: RowProps) => (
  <div className="flex w-full flex-wrap items-center gap-3 rounded-sm border border-line bg-card px-3 py-2.5">
    <div className="min-w-52 grow basis-0">
      <p className="font-medium">{title}</p>
      <p className={`text-sm ${warns ? 'text-loosestrife' : 'text-soft'}`}>{says}</p>
    </div>
    {children}
  </div>
);

function Passkeys({ account: { passkeys } }: { readonly account: Account }) {
  const confirmed = useConfirmed();
  const changed = useAccountChanged();
  const add = async () => {
    try {
      changed(await confirmed(() => makePasskey(deviceName())));
      toast.success('The passkey lets in from now on.');
    } catch (error) {
      const why = passkeyTrouble(error);
      if (why) toldWhy(error);
    }
  };
  const drop = async (id: string) => {
    try {
      changed(await confirmed(() => api.dropPasskey(id)));
    } catch (error) {
      toldWhy(error);
    }
  };
  return (
    <>
      <Row
        title="Passkeys"
        says={
          passkeysWork()
            ? 'A finger, a face or the PIN of a device, in place of the password or beside it.'
            : 'Not on this page: they need a trusted line, and a name in place of an address of figures.'
        }
      >
        {passkeysWork() && (
          <Button small onClick={() => void add()}>
            <Fingerprint size={14} /> Add one
          </Button>
        )}
      </Row>
      {passkeys.length > 0 && (
        <ul
          aria-label="Passkeys"
          className="w-full divide-y divide-line rounded-sm border border-line bg-card"
        >
          {passkeys.map(({ id, name, since, used, host }) => (
            <li key={id} className="flex flex-wrap items-center gap-3 px-3 py-2">
              <div className="min-w-40 grow">
                <p className="font-medium">{name}</p>
                <p className="text-sm text-soft">
                  Made {ago(since)}, for {host}; {used ? `used ${ago(used)}` : 'not used yet'}
                </p>
              </div>
              <Button small aria-label={`Take out the passkey ${name}`} onClick={() => void drop(id)}>
                Take out
              </Button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** Recovery codes, told once. */
function CodesModal({ codes, onClose }: { readonly codes: readonly string[]; readonly onClose: () => void }) {
  const text = codes.map(shownCode).join('\n');
  return (
    <Modal
      title="Recovery codes"
      about="Write them down or print them, and keep them where you keep papers. They are not shown again."
      open
      onClose={onClose}
    >
      <ul aria-label="Recovery codes" className="grid gap-x-6 gap-y-1 font-tape text-sm sm:grid-cols-2">
        {codes.map((code) => (
          <li key={code}>{shownCode(code)}</li>
        ))}
      </ul>
      <div className="mt-4 flex flex-wrap gap-2">
        <Button look="main" onClick={onClose}>
          I have them
        </Button>
        <Button
          onClick={() =>
            saveText(
              `Fennot: recovery codes. Each lets in once.\n\n${text}\n`,
              'fennot-recovery-codes.txt',
              'text/plain',
            )
          }
        >
          <Download size={16} /> As a file
        </Button>
      </div>
    </Modal>
  );
}

function PasswordModal({ account, onClose }: { readonly account: Account; readonly onClose: () => void }) {
  const confirmed = useConfirmed();
  const changed = useAccountChanged();
  const [others, setOthers] = useState(true);
  const { register, handleSubmit, watch, formState } = useForm({
    mode: 'onTouched',
    defaultValues: { password: '' },
  });
  const put = async (password: string | null, says: string) => {
    try {
      await confirmed(() => api.changePassword(password, others));
      changed();
      toast.success(says);
      onClose();
    } catch (error) {
      toldWhy(error);
    }
  };
  const send = handleSubmit(({ password }) => put(password, 'The password is changed.'));
  const alone = account.password && account.passkeys.length > 0 && account.codesLeft > 0;
  return (
    <Modal title={account.password ? 'Change the password' : 'Have a password'} open onClose={onClose}>
      <form noValidate onSubmit={(event) => void send(event)} className="flex flex-col gap-3">
        <FormField
          label="New password"
          secret
          autoComplete="new-password"
          required
          hint={`At least ${PASSWORD.least} characters: four or five words of your own will do.`}
          problem={formState.errors.password?.message}
          {...register('password', { validate: checked(newPasswordSchema) })}
        />
        <PasswordStrength password={watch('password')} name={account.name} />
        <label className="flex items-center gap-2 text-sm">
          <input type="checkbox" checked={others} onChange={(event) => setOthers(event.target.checked)} />
          Sign out all other devices
        </label>
        <div className="flex flex-wrap gap-2">
          <Button look="main" type="submit" disabled={formState.isSubmitting}>
            {account.password ? 'Change it' : 'Have it'}
          </Button>
          {alone && (
            <Button
              look="risk"
              onClick={() => void put(null, 'The password is taken out: passkeys let in from now on.')}
            >
              Do without a password
            </Button>
          )}
        </div>
      </form>
    </Modal>
  );
}

/** What would be mailed, were there anyone to carry it. */
function Messages() {
  const { data } = useOutbox();
  const messages = data?.messages ?? [];
  return (
    <details className="w-full rounded-sm border border-line bg-card px-3 py-2.5">
      <summary className="cursor-pointer font-medium">
        Messages <span className="font-normal text-soft">({messages.length})</span>
      </summary>
      <p className="mt-1 text-sm text-soft">
        Fennot sends no mail. What it would write to you lies here: whenever something about your account
        changes.
      </p>
      <ul className="mt-2 max-h-72 divide-y divide-line overflow-auto">
        {messages.map(({ at, title, text }) => (
          <li key={`${at} ${title}`} className="py-2 text-sm">
            <b>{title}</b> <span className="text-soft">{ago(at)}</span>
            <p className="text-soft">{text}</p>
          </li>
        ))}
      </ul>
    </details>
  );
}
