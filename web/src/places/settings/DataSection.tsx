import { format } from 'date-fns';
import { Download, FolderOpen } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { api } from '../../api/client.ts';
import { useSessionChanged } from '../../api/session.ts';
import { Button } from '../../ui/Button.tsx';
import { FileButton } from '../../ui/FileButton.tsx';
import { saveText } from '../../ui/files.ts';
import { Modal } from '../../ui/Modal.tsx';
import { bagsText } from './bags-text.ts';
import { NotConfirmed, useConfirmed } from './confirming.tsx';
import { SettingsSection } from './SettingsSection.tsx';
import { toldWhy } from './told.ts';

/** Everything of one's own: out as a file, in again, or gone. */
export function DataSection({ account }: { readonly account: boolean }) {
  const [read, setRead] = useState<{ readonly name: string; readonly value: unknown } | undefined>(undefined);
  const [ending, setEnding] = useState(false);
  const takeOut = async () => {
    try {
      const everything = await api.takeOut();
      saveText(
        JSON.stringify(everything),
        `fennot-everything-${format(new Date(), 'yyyy-MM-dd')}.json`,
        'application/json',
      );
    } catch (error) {
      toldWhy(error);
    }
  };
  const open = async (chosen: File) => {
    try {
      const value: unknown = JSON.parse(await chosen.text());
      await takeIn({ name: chosen.name, value }, false);
    } catch (error) {
      if (error instanceof SyntaxError)
        toast.error(`${chosen.name} is no file of Fennot: it breaks off or is damaged.`);
      else toldWhy(error);
    }
  };
  const takeIn = async (own: { readonly name: string; readonly value: unknown }, replace: boolean) => {
    const answer = await api.takeIn(own.value, replace).catch((error: unknown) => {
      if (error instanceof Error && 'title' in error && error.title === 'Not empty') return undefined;
      throw error;
    });
    if (!answer) return setRead(own);
    setRead(undefined);
    toast.success(`Taken in: ${bagsText(answer)}`);
    // What other parts of the page know is of before.
    setTimeout(() => window.location.assign('/'), 1200);
  };
  return (
    <SettingsSection
      id="data"
      title="Data"
      text="Bags, stash, library and settings as one file that any editor opens. Another Fennot takes it in."
    >
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void takeOut()}>
          <Download size={16} /> Export everything
        </Button>
        <FileButton
          label="File of everything"
          accept=".json,application/json"
          onFile={(chosen) => void open(chosen)}
        >
          <FolderOpen size={16} /> Import everything
        </FileButton>
      </div>
      {account && (
        <Button look="risk" onClick={() => setEnding(true)}>
          Delete the account ...
        </Button>
      )}
      {read && (
        <Modal
          title="There is something here already"
          about={`${read.name} goes into an account that is empty. What is here now can go first: all bags, the stash and the library. Export it before, if you may want it again.`}
          open
          onClose={() => setRead(undefined)}
        >
          <div className="flex flex-wrap gap-2">
            <Button look="risk" onClick={() => void takeIn(read, true).catch(toldWhy)}>
              Delete what is here, and import
            </Button>
            <Button onClick={() => setRead(undefined)}>Leave it as it is</Button>
          </div>
        </Modal>
      )}
      {ending && <EndModal onClose={() => setEnding(false)} />}
    </SettingsSection>
  );
}

/** The end of an account, for good. */
function EndModal({ onClose }: { readonly onClose: () => void }) {
  const confirmed = useConfirmed();
  const changed = useSessionChanged();
  const [sure, setSure] = useState(false);
  const end = async () => {
    try {
      const session = await confirmed(api.deleteAccount);
      changed(session);
      window.location.assign('/');
    } catch (error) {
      if (!(error instanceof NotConfirmed)) toldWhy(error);
    }
  };
  return (
    <Modal
      title="Delete the account"
      about="All bags, the stash, the library, the settings and every device of the account are gone then, at once and for good. Backups that were made before still have them."
      open
      onClose={onClose}
    >
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={sure} onChange={(event) => setSure(event.target.checked)} />I have
        exported what I want to keep.
      </label>
      <div className="mt-4 flex flex-wrap gap-2">
        <Button look="risk" disabled={!sure} onClick={() => void end()}>
          Delete everything
        </Button>
        <Button onClick={onClose}>Keep it</Button>
      </div>
    </Modal>
  );
}
