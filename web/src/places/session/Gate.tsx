import type { SessionNow } from '@fennot/core';
import { type ReactNode, useCallback, useEffect, useRef, useState } from 'react';
import { isAway } from '../../api/client.ts';
import { type Maker, makerOf, onSignedOut, signedIn, workFor } from '../../api/maker.ts';
import { useSession, useSessionChanged } from '../../api/session.ts';
import { Message } from '../../frame/Message.tsx';
import { dropMaker, keepMaker, keptMaker } from '../../offline/kept-maker.ts';
import { Modal } from '../../ui/Modal.tsx';
import { AccountForm } from './AccountForm.tsx';
import { Doorstep } from './Doorstep.tsx';
import { SignInForm } from './SignInForm.tsx';

/**
 * Shows the application to whoever is in, and a door to whoever is not. Once somebody was in, what is open stays open: signed
 * out elsewhere, one signs in over it and goes on. Another maker begins with a page of their own.
 */
export function Gate({ children }: { readonly children: ReactNode }) {
  const { data: session, error, refetch } = useSession();
  const changed = useSessionChanged();
  /** Whose page this is, since it was opened. */
  const whose = useRef<Maker | undefined>(undefined);
  const [out, setOut] = useState(false);

  const now = session && makerOf(session);
  // Without an answer it opens for whoever worked here last: what is on this device is theirs.
  const last = !session && isAway(error) ? keptMaker() : undefined;
  const maker = now ?? last;
  if (maker && !whose.current) {
    whose.current = maker;
    workFor(maker);
  }
  useEffect(() => {
    if (now) keepMaker(now);
    else if (session) dropMaker();
  }, [now, session]);
  const mine = whose.current;
  const left = mine !== undefined && session !== undefined && now?.id !== mine.id;

  useEffect(() => onSignedOut(() => setOut(true)), []);

  const onIn = useCallback(
    (next: SessionNow) => {
      const maker = makerOf(next);
      changed(next);
      if (whose.current && maker?.id !== whose.current.id) return window.location.assign('/');
      setOut(false);
      signedIn();
    },
    [changed],
  );
  // Another window of this browser may have let its maker in again.
  useEffect(() => {
    if (out && session && makerOf(session)?.id === mine?.id) void refetch();
  }, [out, session, mine, refetch]);

  if (!session && !mine)
    return error ? (
      <Message
        title="Fennot cannot be reached just now"
        text={error.message}
        onRetry={() => void refetch()}
      />
    ) : (
      <Message title="Opening ..." />
    );
  if (!mine) return session ? <Door session={session} onIn={onIn} /> : null;
  return (
    <>
      {children}
      {(out || left) && (
        <Modal
          title="Signed out"
          about="This device was signed out, or somebody else signed in on it. What you did here is kept in this browser: sign in as yourself, and it is saved."
          open
        >
          <SignInForm onIn={onIn} />
        </Modal>
      )}
    </>
  );
}

/** The way in, for whoever comes from outside. */
function Door({
  session,
  onIn,
}: {
  readonly session: SessionNow;
  readonly onIn: (next: SessionNow) => void;
}) {
  if (session.is === 'unclaimed')
    return (
      <Doorstep
        title="Make this Fennot yours"
        text="Nobody has an account here yet. The bags that are on this machine become yours. The terminal in which Fennot was started shows a code; started anew, it shows another."
      >
        <AccountForm
          code={{ standsIn: 'the terminal in which Fennot was started' }}
          button="Make it mine"
          onIn={onIn}
        />
      </Doorstep>
    );
  return (
    <Doorstep
      title="Sign in"
      text="Or have a device of yours that is signed in show you a code: under Settings, Devices."
    >
      <SignInForm onIn={onIn} />
      <p className="text-sm text-soft">
        Have you a code?{' '}
        <a href="/join" className="font-medium text-kingfisher underline">
          Join with it
        </a>
      </p>
    </Doorstep>
  );
}
