import type { ReactNode } from 'react';
import { FirstStart } from '../account/FirstStart.tsx';
import { SignIn } from '../account/SignIn.tsx';
import { SessionContext, useSessionQuery } from '../data/session.tsx';
import { Away } from '../ui/Away.tsx';
import { showTimesOf } from '../ui/dates.ts';
import { FrameShape } from './FrameShape.tsx';

/** Shows the kitchen to who is signed in; otherwise the first start or the sign-in. */
export function SessionGate({ children }: { children: ReactNode }) {
  const { data, error, refetch, isPending } = useSessionQuery();
  if (isPending) return <FrameShape />;
  if (!data) return <Away error={error} retry={() => void refetch()} />;
  if (data === 'set up') return <FirstStart />;
  if (data === 'sign in') return <SignIn />;
  showTimesOf(data.kitchen.timeZone);
  return <SessionContext value={data}>{children}</SessionContext>;
}
