import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, isMissing } from '../../api/client.ts';
import { isAlive } from '../../api/windows.ts';
import { allDrafts, dropDraft } from '../../open-bag/saving/drafts.ts';

const KEY = ['drafts'];

/** Whether the server has a bag; when it cannot say, it is taken to be there, and nothing is offered for naught. */
const isThere = (id: string): Promise<boolean> =>
  api.bag(id).then(
    () => true,
    (error: unknown) => !isMissing(error),
  );

/** Drafts of windows that are gone, with what becomes of each. */
export function useLeftDrafts() {
  const client = useQueryClient();
  const { data = [] } = useQuery({
    queryKey: KEY,
    staleTime: 0,
    queryFn: async () => {
      const all = await allDrafts();
      const alive = await Promise.all(all.map(({ window }) => isAlive(window)));
      const left = all.filter((_, i) => !alive[i]);
      const ids = [...new Set(left.map(({ bag }) => bag))];
      const there = new Map(await Promise.all(ids.map(async (id) => [id, await isThere(id)] as const)));
      // A readable draft of a bag that is there is taken up when the bag is opened.
      return left.map((draft) => ({ draft, waits: draft.ok && there.get(draft.bag) === true }));
    },
  });
  return {
    /** Bags with changes that are taken up when they are opened. */
    unsaved: new Set(data.filter(({ waits }) => waits).map(({ draft }) => draft.bag)),
    /** Drafts whose bag is gone, or that cannot be read. */
    stranded: data.filter(({ waits }) => !waits).map(({ draft }) => draft),
    forget: async (key: string) => {
      await dropDraft(key);
      await client.invalidateQueries({ queryKey: KEY });
    },
  };
}
