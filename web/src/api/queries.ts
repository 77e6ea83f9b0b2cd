import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Settings, type StoredBag } from './client.ts';

const KEYS = { bags: ['bags'], settings: ['settings'], bag: (id: string) => ['bags', id] };

/** All bags, fetched anew whenever the list is opened: the open plan may have changed one. */
export const useBags = () => useQuery({ queryKey: KEYS.bags, queryFn: api.bags, staleTime: 0 });

/** A bag as it stands on the server. Fetched anew at every opening: the open plan lives in its own store. */
export const useBag = (id: string) =>
  useQuery({ queryKey: KEYS.bag(id), queryFn: () => api.bag(id), staleTime: 0, gcTime: 0, retry: false });

export function useCreateBag() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (document: unknown) => api.createBag(document),
    onSuccess: () => client.invalidateQueries({ queryKey: KEYS.bags, exact: true }),
  });
}

export function useDeleteBag() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => api.deleteBag(id),
    onSuccess: (_, id) =>
      client.setQueryData<StoredBag[]>(KEYS.bags, (bags) => bags?.filter((bag) => bag.id !== id)),
  });
}

export const DEFAULT_SETTINGS: Settings = { terms: 'us', system: 'cm', theme: 'device' };

/** The maker's settings; the defaults until the server has answered. */
export function useSettings(): Settings {
  const { data } = useQuery({ queryKey: KEYS.settings, queryFn: api.settings, staleTime: Infinity });
  return data ?? DEFAULT_SETTINGS;
}

/** Changes settings at once on the screen and then on the server. */
export function useChangeSettings() {
  const client = useQueryClient();
  const { mutate } = useMutation({ mutationFn: api.saveSettings });
  return (settings: Settings) => {
    client.setQueryData(KEYS.settings, settings);
    mutate(settings);
  };
}
