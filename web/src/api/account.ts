import type { Account } from '@fennot/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from './client.ts';

const ACCOUNT = ['account'];

/** The account of whoever is signed in: devices come and go, so it is looked at often while it is shown. */
export const useAccount = (refetchInterval = 15_000) =>
  useQuery({ queryKey: ACCOUNT, queryFn: api.account, staleTime: 0, refetchInterval });

/** Takes what the server says of the account now, or has it fetched. */
export function useAccountChanged(): (account?: Account) => void {
  const client = useQueryClient();
  return (account) => {
    if (account) client.setQueryData(ACCOUNT, account);
    else void client.invalidateQueries({ queryKey: ACCOUNT });
  };
}

/** How other devices reach this server. */
export const useNetwork = () => useQuery({ queryKey: ['network'], queryFn: api.network, staleTime: 10_000 });

/** Messages that would be mailed. */
export const useOutbox = () => useQuery({ queryKey: ['outbox'], queryFn: api.outbox, staleTime: 0 });
