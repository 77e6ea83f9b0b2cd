import { type HoldingChange, type Library, type Stash, undoHoldings } from '@fennot/core';
import { type QueryKey, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { toast } from 'sonner';
import { ApiProblem, AWAY, api } from './client.ts';
import { uuid } from './uuid.ts';
import { listen, say } from './windows.ts';

const STASH: QueryKey = ['stash'];
const LIBRARY: QueryKey = ['library'];
/** An answer that never came is asked for again so often; the server knows a repeat. */
const AGAIN = 3;
/** Holdings that are as fresh as that are not fetched again, ms. */
const FRESH = 5000;

/** Fetches anew what other windows change. */
function useHeard(key: QueryKey) {
  const client = useQueryClient();
  useEffect(
    () =>
      listen((word) => {
        if (word.of === 'holdings' || (word.of === 'bag' && word.is !== 'saved'))
          void client.invalidateQueries({ queryKey: key });
      }),
    [client, key],
  );
}

/** All yarn there is, and what of it is set aside. */
export function useStash() {
  useHeard(STASH);
  return useQuery({ queryKey: STASH, queryFn: api.stash, staleTime: FRESH });
}

/** The maker's swatches and motifs. */
export function useLibrary() {
  useHeard(LIBRARY);
  return useQuery({ queryKey: LIBRARY, queryFn: api.library, staleTime: FRESH });
}

/** Changes what a maker has, and answers why not, or nothing. What is done is told, with a way back. */
export type ChangeHoldings = (changes: readonly HoldingChange[], says: string) => Promise<string | undefined>;

export function useChangeHoldings(): ChangeHoldings {
  const client = useQueryClient();
  const { mutateAsync } = useMutation({
    mutationFn: ({ id, changes }: { readonly id: string; readonly changes: readonly HoldingChange[] }) =>
      api.changeHoldings(id, changes),
    retry: (times, error) => times < AGAIN && error instanceof ApiProblem && error.status === AWAY,
  });
  const change: ChangeHoldings = async (changes, says) => {
    const before = {
      ...client.getQueryData<Stash>(STASH),
      ...(client.getQueryData<Library>(LIBRARY) && {
        items: client.getQueryData<Library>(LIBRARY)?.items ?? [],
      }),
    };
    try {
      const made = await mutateAsync({ id: uuid(), changes });
      const undo = undoHoldings(changes, before, made);
      toast.success(says, {
        action: { label: 'Undo', onClick: () => void change(undo, 'It is as it was.') },
      });
      say({ of: 'holdings', is: 'changed' });
      return undefined;
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      toast.error(why);
      return why;
    } finally {
      await Promise.all([STASH, LIBRARY].map((queryKey) => client.invalidateQueries({ queryKey })));
    }
  };
  return change;
}
