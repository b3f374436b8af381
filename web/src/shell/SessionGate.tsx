import { unitsFrom } from '@inch/core/quantity';
import { Fragment, lazy, type ReactNode, Suspense, useLayoutEffect } from 'react';
import { SessionContext, useSessionQuery } from '../data/session.tsx';
import { Away } from '../ui/Away.tsx';
import { showTimesOf } from '../ui/dates.ts';
import { FrameShape } from './FrameShape.tsx';

const FirstStart = lazy(async () => ({ default: (await import('../account/FirstStart.tsx')).FirstStart }));
const TakeOver = lazy(async () => ({ default: (await import('../account/TakeOver.tsx')).TakeOver }));
const SignIn = lazy(async () => ({ default: (await import('../account/SignIn.tsx')).SignIn }));

/** The frame that came with the page, before any script; gone once there is something to show in its place. */
const frameOfPage = () => document.getElementById('frame');

function useInPlaceOfFrame(waiting: boolean): void {
  useLayoutEffect(() => {
    if (!waiting) frameOfPage()?.remove();
  }, [waiting]);
}

/** Shows the kitchen to who is signed in; otherwise the first start or the sign-in. */
export function SessionGate({ children }: { children: ReactNode }) {
  const { data, error, refetch, isPending } = useSessionQuery();
  useInPlaceOfFrame(isPending);
  if (isPending) return frameOfPage() ? null : <FrameShape />;
  if (!data) return <Away error={error} retry={() => void refetch()} />;
  if (data === 'set up' || data === 'sign in')
    return <Suspense fallback={null}>{data === 'set up' ? <FirstStart /> : <SignIn />}</Suspense>;
  if ('owners' in data)
    return (
      <Suspense fallback={null}>
        <TakeOver owners={data.owners} />
      </Suspense>
    );
  const { timeZone, units, cupSchool } = data.kitchen;
  showTimesOf(timeZone);
  const kitchenUnits = { ...units, cup: cupSchool };
  unitsFrom(() => kitchenUnits);
  // Other units are other words everywhere: what was drawn before is drawn anew.
  return (
    <SessionContext value={data}>
      <Fragment key={Object.values(kitchenUnits).join(' ')}>{children}</Fragment>
    </SessionContext>
  );
}
