import { useAccount } from '../../api/account.ts';
import { useSession } from '../../api/session.ts';
import { PlaceHeader } from '../../frame/PlaceHeader.tsx';
import { ReadingFields } from '../../frame/ReadingFields.tsx';
import { Confirming } from './confirming.tsx';
import { DataSection } from './DataSection.tsx';
import { DevicesSection } from './DevicesSection.tsx';
import { MakeMine, MakerSection } from './MakerSection.tsx';
import { MakersSection } from './MakersSection.tsx';
import { NetworkSection } from './NetworkSection.tsx';
import { SecuritySection } from './SecuritySection.tsx';
import { SettingsSection } from './SettingsSection.tsx';

/** How a maker reads, who they are, on which devices, what lets in, and what is theirs. */
export function SettingsPage() {
  const { data: session } = useSession();
  return (
    <Confirming>
      <div className="min-h-full">
        <PlaceHeader />
        <main className="mx-auto max-w-4xl px-4 py-6">
          <h1 className="mb-5 text-3xl">Settings</h1>
          <SettingsSection id="reading" title="Reading" text="They govern every label, drawing and figure.">
            <div className="grid grid-cols-[auto_auto] items-center gap-x-6 gap-y-2.5 text-sm">
              <ReadingFields />
            </div>
          </SettingsSection>
          {session?.is === 'open' && <MakeMine />}
          {session?.is === 'in' && <Signed name={session.name} />}
          <NetworkSection />
          <DataSection account={session?.is === 'in'} />
        </main>
      </div>
    </Confirming>
  );
}

/** What only an account has. */
function Signed({ name }: { readonly name: string }) {
  const { data: account } = useAccount();
  return (
    <>
      <MakerSection name={name} />
      {account && <DevicesSection account={account} />}
      {account && <SecuritySection account={account} />}
      {account?.first && <MakersSection />}
    </>
  );
}
