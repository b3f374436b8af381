import { accountRoutes, type Session } from '@inch/contract/account';
import { useQuery } from '@tanstack/react-query';
import { createContext, useContext } from 'react';
import { ApiProblem, call } from './api.ts';
import { keys } from './keys.ts';

/** Who is signed in, and to which kitchen. */
export const SessionContext = createContext<Session | null>(null);

/** The session of this device; 'set up' where no kitchen exists yet. */
async function readSession(): Promise<Session | 'set up' | 'sign in'> {
  try {
    return await call(accountRoutes.session);
  } catch (error) {
    if (!(error instanceof ApiProblem) || error.status !== 401) throw error;
    return (await call(accountRoutes.setupNeeded)).needed ? 'set up' : 'sign in';
  }
}

export const useSessionQuery = () =>
  useQuery({ queryKey: keys.all('session'), queryFn: readSession, refetchInterval: 60_000 });

export function useSession(): Session {
  return useContext(SessionContext)!;
}

/** Whether the signed-in account may write. */
export const useMayWrite = (): boolean => useSession().account.role !== 'reader';
