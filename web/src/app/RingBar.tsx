import type { TodayView } from '@inch/contract/today';
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
      tell me on the device too
    </Button>
  );
}

/** Clocks whose time is up, over every screen, until they are heard. */
export function RingBar({ today }: { today: TodayView | undefined }) {
  const { ringing, heard } = useRinging(today);
  if (ringing.length === 0) return null;
  return (
    <ul aria-label="Ringing" className="mb-3 grid gap-2" aria-live="assertive">
      {ringing.map((r) => (
        <li
          key={r.key}
          className="hatch flex flex-wrap items-center gap-3 rounded-xl border-2 border-hold bg-hold-pale px-4 py-2"
        >
          <Fruit colour={r.colour} size={14} />
          <span className="min-w-0 flex-1 text-lg">
            <strong className="figure">{r.code}</strong> {r.step}: <strong>{r.words}</strong>
          </span>
          <AskToNotify />
          <Link to={`/stove/${r.code}/cook`} className={buttonLook({}, 'min-h-12')}>
            Go to it
          </Link>
          <Button tone="plain" className="min-h-12" onClick={() => heard(r.key)}>
            Heard
          </Button>
        </li>
      ))}
    </ul>
  );
}
