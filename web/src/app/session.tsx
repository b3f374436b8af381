import { accountRoutes, type Session } from '@inch/contract/account';
import { useQuery } from '@tanstack/react-query';
import { createContext, type ReactNode, useContext } from 'react';
import { FirstStart } from '../account/FirstStart.tsx';
import { SignIn } from '../account/SignIn.tsx';
import { Away } from './Away.tsx';
import { ApiProblem, call } from './api.ts';

const SessionContext = createContext<Session | null>(null);

async function readSession(): Promise<Session | 'set up' | 'sign in'> {
  try {
    return await call(accountRoutes.session);
  } catch (error) {
    if (!(error instanceof ApiProblem) || error.status !== 401) throw error;
    return (await call(accountRoutes.setupNeeded)).needed ? 'set up' : 'sign in';
  }
}

/** Shows the kitchen to who is signed in; else the way in. */
export function SessionGate({ children }: { children: ReactNode }) {
  const { data, error, refetch, isPending } = useQuery({
    queryKey: ['session'],
    queryFn: readSession,
    refetchInterval: 60_000,
  });
  if (isPending) return null;
  if (!data) return <Away error={error} retry={() => void refetch()} />;
  if (data === 'set up') return <FirstStart />;
  if (data === 'sign in') return <SignIn />;
  return <SessionContext value={data}>{children}</SessionContext>;
}

export function useSession(): Session {
  return useContext(SessionContext)!;
}

/** Whether the signed-in account may write. */
export const useMayWrite = (): boolean => useSession().account.role !== 'reader';
