import type { TodayView } from '@inch/contract/kitchen/today';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button, buttonLook } from '../ui/Button.tsx';
import { Fruit } from '../ui/State.tsx';
import { useRinging } from './ringing.ts';

/** Asks for leave to notify, where the device can and has not been asked. */
function AskToNotify() {
  const [asked, setAsked] = useState(
    typeof Notification === 'undefined' || Notification.permission !== 'default',
  );
  if (asked) return null;
  return (
    <Button
      tone="quiet"
      size="small"
      onClick={() => void Notification.requestPermission().then(() => setAsked(true))}
    >
      Notify me on this device
    </Button>
  );
}

/** What rings, below every screen, one at a time until it is heard; nothing that is read moves as it comes. */
export function RingBar({ today }: { today: TodayView | undefined }) {
  const { ringing, heard } = useRinging(today);
  const first = ringing[0];
  if (!first) return null;
  return (
    <section
      aria-label="Ringing"
      aria-live="assertive"
      className="hatch mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-xl border-2 border-hold bg-hold-pale px-4 py-1 max-sm:sticky max-sm:bottom-28 max-sm:z-10"
    >
      <Fruit colour={first.colour} size={14} />
      <p className="min-w-64 flex-1 text-lg leading-snug max-sm:order-first max-sm:min-w-0 max-sm:basis-full">
        <strong className="figure">{first.code}</strong> {first.step}: <strong>{first.words}</strong>
        {ringing.length > 1 && <span className="text-ink-2"> · {ringing.length - 1} more after it</span>}
      </p>
      <span className="max-sm:order-last empty:hidden">
        <AskToNotify />
      </span>
      <Link to={first.to} className={buttonLook({ tone: 'plain' }, 'min-h-14')}>
        Open
      </Link>
      <Button className="min-h-14 px-6" onClick={() => heard(first.key)}>
        Dismiss
      </Button>
    </section>
  );
}
