import type { SessionNow } from '@fennot/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect } from 'react';
import { api, isAway } from './client.ts';
import { listen, say } from './windows.ts';

const SESSION = ['session'];

/** Who is in front of the screen; fetched anew when another window says that somebody signed in or out. */
export function useSession() {
  const client = useQueryClient();
  useEffect(
    () =>
      listen((word) => {
        if (word.of === 'session') void client.invalidateQueries({ queryKey: SESSION });
      }),
    [client],
  );
  return useQuery({
    queryKey: SESSION,
    queryFn: api.session,
    staleTime: Infinity,
    // Where nothing answers, whoever worked here last goes on at once.
    retry: (failures, error) => failures < 2 && !isAway(error),
    refetchOnWindowFocus: 'always',
  });
}

/** Takes what the server says of the session now; other windows of this browser are told. */
export function useSessionChanged(): (session: SessionNow) => void {
  const client = useQueryClient();
  return useCallback(
    (session) => {
      client.setQueryData(SESSION, session);
      say({ of: 'session', is: 'changed' });
    },
    [client],
  );
}
