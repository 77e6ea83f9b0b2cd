import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { useBagsChanged } from '../api/queries.ts';
import { acquire, type Opened } from '../open-bag/saving/sessions.ts';

export type Opening = Opened | { readonly is: 'opening' } | { readonly is: 'failed'; readonly why: string };

/** The session of a bag, held as long as it is shown; and how to try again. */
export function useSession(id: string): { readonly opening: Opening; readonly retry: () => void } {
  const [opening, setOpening] = useState<Opening>({ is: 'opening' });
  const [attempt, setAttempt] = useState(0);
  const onSaved = useBagsChanged();
  // biome-ignore lint/correctness/useExhaustiveDependencies: opened once a bag and attempt
  useEffect(() => {
    let wanted = true;
    let end = () => {};
    setOpening({ is: 'opening' });
    acquire(id, { tell: (note) => toast(note), onSaved }).then(
      (opened) => {
        if (opened.is === 'open') end = opened.session.release;
        if (wanted) setOpening(opened);
        else end();
      },
      (error: unknown) => {
        const why = error instanceof Error ? error.message : 'The bag could not be opened.';
        if (wanted) setOpening({ is: 'failed', why });
      },
    );
    return () => {
      wanted = false;
      end();
    };
  }, [id, attempt]);
  return { opening, retry: () => setAttempt(attempt + 1) };
}
