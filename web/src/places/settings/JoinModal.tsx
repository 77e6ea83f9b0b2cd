import { type LetIn, shownCode } from '@fennot/core';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useAccountChanged, useNetwork } from '../../api/account.ts';
import { api } from '../../api/client.ts';
import { Button } from '../../ui/Button.tsx';
import { Modal } from '../../ui/Modal.tsx';
import { useConfirmed } from './confirming.tsx';
import { QrCode } from './QrCode.tsx';
import { toldWhy } from './told.ts';

/** How often it is looked whether the code was used, ms. */
const LOOK = 1500;

/** A code for another device: shown, counted down, and told when it was used. */
export function JoinModal({ onClose }: { readonly onClose: () => void }) {
  const confirmed = useConfirmed();
  const changed = useAccountChanged();
  const { data: network } = useNetwork();
  const [code, setCode] = useState<LetIn | undefined>(undefined);
  const asked = useRef(false);
  const show = useCallback(async () => {
    try {
      setCode(await confirmed(api.letIn));
    } catch (error) {
      toldWhy(error);
      onClose();
    }
  }, [confirmed, onClose]);
  useEffect(() => {
    if (asked.current) return;
    asked.current = true;
    void show();
  }, [show]);
  const { data: state } = useQuery({
    queryKey: ['code', code?.id],
    queryFn: () => api.letInState(code?.id ?? ''),
    enabled: code !== undefined,
    refetchInterval: ({ state: { data } }) => (data === undefined || data.is === 'waiting' ? LOOK : false),
  });
  const left = useCountdown(code, state?.is === 'waiting' ? state.seconds : undefined);
  const used = state?.is === 'used';
  useEffect(() => {
    if (used) changed();
  }, [used, changed]);
  // A code that nobody sees any more lets nobody in.
  const close = () => {
    if (code && !used) void api.callBack(code.id).catch(() => {});
    onClose();
  };
  if (!code) return null;
  const addresses = network?.addresses ?? [];
  const [first] = addresses;
  return (
    <Modal title="Join a phone" open onClose={close}>
      {state?.is === 'used' ? (
        <div className="flex flex-col items-start gap-3">
          <p role="status">
            <b>{state.device}</b> has joined. It is in the list of devices, and can be signed out there.
          </p>
          <Button look="main" onClick={onClose}>
            Done
          </Button>
        </div>
      ) : left === 0 || state?.is === 'over' ? (
        <div className="flex flex-col items-start gap-3">
          <p role="status">This code is over. Nothing has joined by it.</p>
          <Button look="main" onClick={() => void show()}>
            Show another
          </Button>
        </div>
      ) : (
        <div className="flex flex-wrap items-start gap-6">
          {first && <QrCode text={`${first}/join#${code.code}`} label="Code to join, for a camera" />}
          <ol className="flex min-w-56 grow basis-0 list-decimal flex-col gap-3 pl-5">
            {first ? (
              <>
                <li>Have the phone on the same network as this machine.</li>
                <li>
                  Point its camera at the pattern, or open <b className="break-all">{first}/join</b> and type
                  the code.
                </li>
              </>
            ) : (
              <li>
                Fennot is open to this machine alone. For a phone stop it, and start it by{' '}
                <code className="font-tape text-sm">./fennot start --lan</code>
              </li>
            )}
            <li className="list-none">
              <output aria-label="Code" className="font-tape text-2xl tracking-wider">
                {shownCode(code.code)}
              </output>
              <p className="text-sm text-soft tabular-nums">
                Good once, for {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')} more
              </p>
            </li>
            {(network?.trust.length ?? 0) > 0 && (
              <li className="list-none text-sm text-soft">
                The phone warns of the line? It does not know this machine yet:{' '}
                <Link to="#network" onClick={close} className="font-medium text-kingfisher underline">
                  have it trust it
                </Link>
                , once.
              </li>
            )}
          </ol>
        </div>
      )}
    </Modal>
  );
}

/** Whole seconds that are left, counted here between the server's words: no clock need be right. */
function useCountdown(code: LetIn | undefined, heard: number | undefined): number {
  const [left, setLeft] = useState(0);
  const end = useRef(0);
  useEffect(() => {
    if (code) end.current = performance.now() + code.seconds * 1000;
  }, [code]);
  useEffect(() => {
    if (heard !== undefined) end.current = performance.now() + heard * 1000;
  }, [heard]);
  useEffect(() => {
    const tick = () => setLeft(Math.max(0, Math.ceil((end.current - performance.now()) / 1000)));
    tick();
    const timer = setInterval(tick, 250);
    return () => clearInterval(timer);
  }, []);
  return code ? (left === 0 && end.current > performance.now() ? 1 : left) : 0;
}
