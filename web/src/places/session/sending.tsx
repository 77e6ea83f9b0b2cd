import { useState } from 'react';
import { passkeyTrouble } from '../../api/passkeys.ts';
import { Button } from '../../ui/Button.tsx';

/** What a form sends: whether it is on its way, and why it did not arrive, until it is sent again. */
export interface Sending {
  readonly busy: boolean;
  readonly problem: string | undefined;
  /** Does it; what goes wrong becomes the problem. */
  send(way: () => Promise<void>): Promise<void>;
  /** Another way is taken: what went wrong is no longer said. */
  clear(): void;
}

export function useSending(): Sending {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const send = async (way: () => Promise<void>) => {
    setProblem(undefined);
    setBusy(true);
    try {
      await way();
    } catch (error) {
      setProblem(passkeyTrouble(error));
    } finally {
      setBusy(false);
    }
  };
  return { busy, problem, send, clear: () => setProblem(undefined) };
}

/** Why it was not done. */
export const Trouble = ({ sending }: { readonly sending: Sending }) => (
  <p role="alert" className={sending.problem ? 'text-sm text-loosestrife' : 'hidden'}>
    {sending.problem}
  </p>
);

interface SendButtonProps {
  readonly sending: Sending;
  readonly children: string;
  readonly waiting?: string;
}

/** Sends the form it stands in, once at a time. */
export const SendButton = ({ sending, children, waiting = 'A moment ...' }: SendButtonProps) => (
  <Button look="main" type="submit" disabled={sending.busy}>
    {sending.busy ? waiting : children}
  </Button>
);
