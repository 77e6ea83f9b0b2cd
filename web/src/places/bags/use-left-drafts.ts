import type { KeptBag } from '@fennot/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { isAlive } from '../../api/windows.ts';
import { allDrafts, dropDraft, type LeftDraft } from '../../open-bag/saving/drafts.ts';

const KEY = ['drafts'];

/** Drafts of windows that are gone, with what becomes of each. */
export function useLeftDrafts(bags: readonly KeptBag[] | undefined) {
  const client = useQueryClient();
  const { data = [] } = useQuery({
    queryKey: KEY,
    staleTime: 0,
    queryFn: async () => {
      const all = await allDrafts();
      const alive = await Promise.all(all.map(({ window }) => isAlive(window)));
      return all.filter((_, i) => !alive[i]);
    },
  });
  const there = new Set(bags?.map(({ id }) => id));
  // A readable draft of a bag that is there is taken up when the bag is opened.
  const waits = (draft: LeftDraft) => draft.ok && there.has(draft.bag);
  return {
    /** Bags with changes that are taken up when they are opened. */
    unsaved: new Set(data.filter(waits).map(({ bag }) => bag)),
    /** Drafts whose bag is gone, or that cannot be read. */
    stranded: bags ? data.filter((draft) => !waits(draft)) : [],
    forget: async (key: string) => {
      await dropDraft(key);
      await client.invalidateQueries({ queryKey: KEY });
    },
  };
}
