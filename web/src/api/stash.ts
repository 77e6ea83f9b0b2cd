import { type HoldingChange, type Stash, undoHoldings } from '@fennot/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { toast } from 'sonner';
import { ApiProblem, AWAY, api } from './client.ts';
import { uuid } from './uuid.ts';
import { listen, say } from './windows.ts';

const KEY = ['stash'];
/** An answer that never came is asked for again so often; the server knows a repeat. */
const AGAIN = 3;

/** All yarn there is, and what of it is set aside. Other windows that change it are heard. */
export function useStash() {
  const client = useQueryClient();
  useEffect(
    () =>
      listen((word) => {
        if (word.of === 'stash' || (word.of === 'bag' && word.is !== 'saved'))
          void client.invalidateQueries({ queryKey: KEY });
      }),
    [client],
  );
  return useQuery({ queryKey: KEY, queryFn: api.stash, staleTime: 5000 });
}

/** Changes the stash, tells so with a way back, or tells why it was not changed. Answers why not, or nothing. */
export function useChangeStash() {
  const client = useQueryClient();
  const { mutateAsync } = useMutation({
    mutationFn: ({ id, changes }: { readonly id: string; readonly changes: readonly HoldingChange[] }) =>
      api.changeHoldings(id, changes),
    retry: (times, error) => times < AGAIN && error instanceof ApiProblem && error.status === AWAY,
  });
  const change = async (changes: readonly HoldingChange[], says: string): Promise<string | undefined> => {
    const before = client.getQueryData<Stash>(KEY) ?? { lots: [], allotments: [], bags: {}, damaged: 0 };
    try {
      const made = await mutateAsync({ id: uuid(), changes });
      const undo = undoHoldings(changes, before, made);
      toast.success(says, {
        action: { label: 'Undo', onClick: () => void change(undo, 'It is as it was.') },
      });
      say({ of: 'stash', is: 'changed' });
      return undefined;
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      toast.error(why);
      return why;
    } finally {
      await client.invalidateQueries({ queryKey: KEY });
    }
  };
  return change;
}
