import { accountRoutes, type Session } from '@inch/contract/kitchen/account';
import { useQuery } from '@tanstack/react-query';
import { createContext, useContext } from 'react';
import { ApiProblem, call, queryClient } from './api.ts';
import { keys } from './keys.ts';

/** Who is signed in, and to which kitchen. */
export const SessionContext = createContext<Session | null>(null);

/** A kitchen that came in from an export and in which nobody has a password yet: who may take it over. */
interface Untaken {
  owners: string[];
}

async function readSession(): Promise<Session | Untaken | 'set up' | 'sign in'> {
  try {
    return await call(accountRoutes.session);
  } catch (error) {
    if (!(error instanceof ApiProblem) || error.status !== 401) throw error;
    const { needed, owners } = await call(accountRoutes.setupNeeded);
    if (owners) return { owners };
    return needed ? 'set up' : 'sign in';
  }
}

const query = { queryKey: keys.all('session'), queryFn: readSession };

export const useSessionQuery = () => useQuery({ ...query, refetchInterval: 60_000 });

/** Asks who is signed in before anything of the page stands. */
export const askSession = () => void queryClient.prefetchQuery(query);

export function useSession(): Session {
  return useContext(SessionContext)!;
}

/** Whether the signed-in account may write. */
export const useMayWrite = (): boolean => useSession().account.role !== 'reader';
