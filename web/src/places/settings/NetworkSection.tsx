import type { Network } from '@fennot/core';
import { useNetwork } from '../../api/account.ts';
import { QrCode } from './QrCode.tsx';
import { SettingsSection } from './SettingsSection.tsx';

const LINES: Readonly<Record<Network['tls'], string>> = {
  own: 'The line is closed by a certificate that this machine made itself. A device that trusts it works as on this one.',
  given: 'The line is closed by the certificate that you gave.',
  proxy: 'A proxy of yours stands before Fennot and closes the line.',
  none: 'The line is open: whoever is on this network can read along. Use it behind a proxy, or on a network that is yours alone.',
};

/** Where other devices open Fennot, and how they come to trust it. */
export function NetworkSection() {
  const { data } = useNetwork();
  if (!data) return null;
  const { addresses, trust, fingerprint, tls } = data;
  const [first] = addresses;
  return (
    <SettingsSection
      id="network"
      title="Network"
      text={first ? LINES[tls] : 'Fennot answers this machine alone.'}
    >
      {first ? (
        <div className="flex flex-wrap gap-6">
          <QrCode text={first} label={`Address for a camera: ${first}`} size={150} />
          <div>
            <p className="text-sm text-soft">Other devices on this network open</p>
            <ul className="font-tape text-sm">
              {addresses.map((address) => (
                <li key={address} className="break-all">
                  {address}
                </li>
              ))}
            </ul>
          </div>
        </div>
      ) : (
        <p>
          For a phone beside the work stop it, and start it by{' '}
          <code className="font-tape text-sm">./fennot start --lan</code>: nothing is told then without
          signing in.
        </p>
      )}
      {trust[0] && (
        <details className="w-full rounded-sm border border-line bg-card px-3 py-2.5">
          <summary className="cursor-pointer font-medium">Have a phone trust this machine</summary>
          <div className="mt-2 flex flex-wrap gap-6 text-sm">
            <QrCode text={trust[0]} label={`Page of trust, for a camera: ${trust[0]}`} size={150} />
            <div className="max-w-md">
              <p>
                Open <b className="break-all">{trust[0]}</b> on the phone: it has the certificate and the
                steps. It is needed once. Without it the browser warns, and passkeys and a screen that stays
                on do not work there; saving does.
              </p>
              {fingerprint && (
                <p className="mt-2">
                  The phone shows these figures of it, and they must be the same:{' '}
                  <span className="font-tape text-xs break-all">{fingerprint}</span>
                </p>
              )}
            </div>
          </div>
        </details>
      )}
    </SettingsSection>
  );
}
