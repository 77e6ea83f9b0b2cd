import { type LetIn, shownCode } from '@fennot/core';
import { useState } from 'react';
import { useNetwork } from '../../api/account.ts';
import { api } from '../../api/client.ts';
import { Button } from '../../ui/Button.tsx';
import { useConfirmed } from './confirming.tsx';
import { SettingsSection } from './SettingsSection.tsx';
import { toldWhy } from './told.ts';

/** Others get an account here by invitation of whoever keeps this Fennot. */
export function MakersSection() {
  const confirmed = useConfirmed();
  const { data: network } = useNetwork();
  const [code, setCode] = useState<LetIn | undefined>(undefined);
  const [first = window.location.origin] = network?.addresses ?? [];
  const invite = async () => {
    try {
      setCode(await confirmed(api.invite));
    } catch (error) {
      toldWhy(error);
    }
  };
  return (
    <SettingsSection
      id="makers"
      title="Other makers"
      text="You keep this Fennot: others get an account of their own by your invitation. They see nothing of yours, and you nothing of theirs."
    >
      {code ? (
        <div className="rounded-sm border border-line bg-card px-3 py-2.5">
          <p className="text-sm text-soft">Good once, for three days:</p>
          <p className="font-tape text-sm break-all">
            {first}/invited#{code.code}
          </p>
          <p className="mt-1 text-sm text-soft">
            Or the code <output className="font-tape text-ink">{shownCode(code.code)}</output>, typed at{' '}
            {first}/invited
          </p>
        </div>
      ) : (
        <Button onClick={() => void invite()}>Invite a maker</Button>
      )}
    </SettingsSection>
  );
}
