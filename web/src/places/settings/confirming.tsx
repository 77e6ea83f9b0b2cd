import { Fingerprint } from 'lucide-react';
import { createContext, type ReactNode, useCallback, useContext, useState } from 'react';
import { api, wantsConfirming } from '../../api/client.ts';
import { passkeysWork, signWithPasskey } from '../../api/passkeys.ts';
import { useSessionChanged } from '../../api/session.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { Modal } from '../../ui/Modal.tsx';
import { SendButton, Trouble, useSending } from '../session/sending.tsx';

/** Does something; where the server asks first who is there, the maker says so, and it is done then. */
type Confirmed = <T>(action: () => Promise<T>) => Promise<T>;

const Context = createContext<Confirmed>((action) => action());
export const useConfirmed = () => useContext(Context);

/** The maker thought better of it. */
export class NotConfirmed extends Error {}

interface Waiting {
  readonly go: () => void;
  readonly no: () => void;
}

/** Asks anew who is there, for whatever within it needs to know. */
export function Confirming({ children }: { readonly children: ReactNode }) {
  const [waiting, setWaiting] = useState<Waiting | undefined>(undefined);
  const confirmed: Confirmed = useCallback(async (action) => {
    try {
      return await action();
    } catch (error) {
      if (!wantsConfirming(error)) throw error;
      await new Promise<void>((go, no) => setWaiting({ go, no: () => no(new NotConfirmed()) }));
      return action();
    }
  }, []);
  const end = (how: keyof Waiting) => {
    setWaiting(undefined);
    waiting?.[how]();
  };
  return (
    <Context value={confirmed}>
      {children}
      {waiting && <ConfirmModal onDone={() => end('go')} onClose={() => end('no')} />}
    </Context>
  );
}

function ConfirmModal({ onDone, onClose }: { readonly onDone: () => void; readonly onClose: () => void }) {
  const changed = useSessionChanged();
  const [password, setPassword] = useState('');
  const sending = useSending();
  const by = (way: () => ReturnType<typeof api.session>) =>
    sending.send(async () => {
      changed(await way());
      onDone();
    });
  return (
    <Modal
      title="Is it you?"
      about="It was some time ago that you signed in here. What changes who may come in asks anew."
      open
      onClose={onClose}
    >
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void by(() => api.confirm(password));
        }}
      >
        <FormField
          label="Password"
          secret
          autoComplete="current-password"
          required
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
        <Trouble sending={sending} />
        <div className="flex flex-wrap gap-2">
          <SendButton sending={sending}>Go on</SendButton>
          {passkeysWork() && (
            <Button disabled={sending.busy} onClick={() => void by(signWithPasskey)}>
              <Fingerprint size={16} /> Use a passkey
            </Button>
          )}
        </div>
      </form>
    </Modal>
  );
}
