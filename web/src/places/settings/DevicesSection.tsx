import type { Account, Device } from '@fennot/core';
import { formatDistanceToNow } from 'date-fns';
import { Laptop, Pencil, Smartphone, TabletSmartphone } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { useAccountChanged } from '../../api/account.ts';
import { api } from '../../api/client.ts';
import { useSessionChanged } from '../../api/session.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { JoinModal } from './JoinModal.tsx';
import { signOutHere } from './MakerSection.tsx';
import { SettingsSection } from './SettingsSection.tsx';
import { toldWhy } from './told.ts';

const HOW: Readonly<Record<Device['how'], string>> = {
  password: 'with the password',
  passkey: 'with a passkey',
  both: 'with password and passkey',
  code: 'by a code',
  recovery: 'with a recovery code',
  new: 'as the account was made',
};

const iconOf = ({ name, how }: Device) =>
  /^phone/i.test(name)
    ? Smartphone
    : /^tablet/i.test(name)
      ? TabletSmartphone
      : how === 'code'
        ? Smartphone
        : Laptop;

const ago = (when: string) => formatDistanceToNow(new Date(when), { addSuffix: true });

/** Devices that are signed in: named, signed out from here; and a phone that joins them. */
export function DevicesSection({ account }: { readonly account: Account }) {
  const [joining, setJoining] = useState(false);
  const changed = useAccountChanged();
  const { devices } = account;
  const others = devices.filter(({ here }) => !here);
  const done = async (asking: () => Promise<Account>, says: string) => {
    try {
      changed(await asking());
      toast.success(says);
    } catch (error) {
      toldWhy(error);
      changed();
    }
  };
  return (
    <SettingsSection
      id="devices"
      title="Devices"
      text="A phone or another computer opens the same bags. Each is signed out by itself when it is not used for thirty days."
    >
      <Button look="main" onClick={() => setJoining(true)}>
        <Smartphone size={16} /> Join a phone
      </Button>
      <ul className="w-full divide-y divide-line rounded-sm border border-line bg-card">
        {devices.map((device) => (
          <DeviceLine key={device.id} device={device} done={done} />
        ))}
      </ul>
      {others.length > 0 && (
        <Button look="risk" onClick={() => void done(api.endOthers, 'All other devices are signed out.')}>
          Sign out everywhere else
        </Button>
      )}
      {joining && <JoinModal onClose={() => setJoining(false)} />}
    </SettingsSection>
  );
}

interface DeviceLineProps {
  readonly device: Device;
  readonly done: (asking: () => Promise<Account>, says: string) => Promise<void>;
}

function DeviceLine({ device, done }: DeviceLineProps) {
  const { id, name, here, how, since, seen } = device;
  const [naming, setNaming] = useState(false);
  const changed = useSessionChanged();
  const Icon = iconOf(device);
  return (
    <li className="flex items-center gap-3 px-3 py-2.5 max-sm:flex-wrap">
      <Icon size={22} className="text-reed" aria-hidden />
      <div className="min-w-40 grow basis-0">
        {naming ? (
          <TextField
            label="Name of the device"
            value={name}
            onChange={(next) => {
              setNaming(false);
              if (next !== name) void done(() => api.renameDevice(id, next), `It is called ${next}.`);
            }}
          />
        ) : (
          <p className="font-medium">
            {name}
            {here && (
              <span className="ml-2 inline-block rounded-sm bg-reed-pale whitespace-nowrap px-1.5 py-0.5 text-xs text-reed">
                this one
              </span>
            )}
          </p>
        )}
        <p className="text-sm text-soft">
          Signed in {ago(since)}, {HOW[how]}; {here ? 'in use now' : `last seen ${ago(seen)}`}
        </p>
      </div>
      <Button small look="bare" aria-label={`Name ${name}`} onClick={() => setNaming(!naming)}>
        <Pencil size={14} />
      </Button>
      {here ? (
        <Button small onClick={() => void signOutHere(changed)}>
          Sign out
        </Button>
      ) : (
        <Button
          small
          aria-label={`Sign out ${name}`}
          onClick={() => void done(() => api.endDevice(id), `${name} is signed out.`)}
        >
          Sign out there
        </Button>
      )}
    </li>
  );
}
