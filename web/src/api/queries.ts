import { DEFAULT_SETTINGS, type ListQuery, type Settings } from '@fennot/core';
import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { toast } from 'sonner';
import { api } from './client.ts';
import { say } from './windows.ts';

/** Bags that are still being laid out are asked for so often, ms. */
const COMING = 1200;

const KEYS = { bags: ['bags'], settings: ['settings'] };

/** The list of bags, page by page, fetched anew whenever it is opened: the open plan may have changed one. */
export const useBagList = ({ order, search }: Pick<ListQuery, 'order' | 'search'>) =>
  useInfiniteQuery({
    queryKey: [...KEYS.bags, { order, search }],
    queryFn: ({ pageParam }) => api.bags({ order, search, after: pageParam }),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: ({ next }) => next,
    placeholderData: keepPreviousData,
    staleTime: 0,
    // What is still being laid out is asked for again until it is there.
    refetchInterval: ({ state: { data } }) =>
      data?.pages.some(({ bags }) => bags.some(({ summary }) => summary.is === 'coming')) ? COMING : false,
  });

/** Lets the list know that it is out of date. */
export function useBagsChanged() {
  const client = useQueryClient();
  return () => void client.invalidateQueries({ queryKey: KEYS.bags });
}

interface NewBag {
  /** Made by whoever asks, once: asked again after a lost answer, it is the same bag. */
  readonly id: string;
  readonly document: unknown;
  /** Out of a file. */
  readonly imported?: boolean;
}

export function useCreateBag() {
  const changed = useBagsChanged();
  return useMutation({
    mutationFn: ({ id, document, imported }: NewBag) => api.createBag(id, document, imported),
    onSuccess: changed,
  });
}

export function useDeleteBag() {
  const changed = useBagsChanged();
  return useMutation({
    mutationFn: async (id: string) => {
      const deleted = await api.deleteBag(id);
      say({ of: 'bag', bag: id, is: 'deleted' });
      return deleted;
    },
    onSuccess: changed,
  });
}

export function useRestoreBag() {
  const changed = useBagsChanged();
  return useMutation({
    mutationFn: async ({ id, version }: { readonly id: string; readonly version: number }) => {
      const bag = await api.restoreBag(id, version);
      say({ of: 'bag', bag: id, is: 'restored' });
      return bag;
    },
    onSettled: changed,
  });
}

/** The maker's settings; the defaults until the server has answered. */
export function useSettings(): Settings {
  const { data } = useQuery({ queryKey: KEYS.settings, queryFn: api.settings, staleTime: Infinity });
  return data ?? DEFAULT_SETTINGS;
}

/** Changes settings at once on the screen and then on the server; what was not saved is told, and taken back. */
export function useChangeSettings() {
  const client = useQueryClient();
  const { mutate } = useMutation({
    mutationFn: api.saveSettings,
    onError: (error) => {
      toast.error(`The settings could not be saved: ${error.message}`);
      void client.invalidateQueries({ queryKey: KEYS.settings });
    },
  });
  return (settings: Settings) => {
    void client.cancelQueries({ queryKey: KEYS.settings });
    client.setQueryData(KEYS.settings, settings);
    mutate(settings);
  };
}
