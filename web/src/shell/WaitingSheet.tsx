import { plural } from '@inch/core/quantity';
import { useState } from 'react';
import { outbox, useWaiting } from '../data/outbox/outbox.ts';
import type { Waiting } from '../data/outbox/waiting.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { clockTime } from '../ui/dates.ts';
import { State } from '../ui/State.tsx';

function Row({ entry }: { entry: Waiting }) {
  const [sure, setSure] = useState(false);
  return (
    <li className="border-b border-steel-line py-2.5">
      <p className="flex items-baseline gap-3">
        <span className="figure text-sm text-ink-2">{clockTime(entry.since)}</span>
        <span className="min-w-0 flex-1">
          <strong className="figure">{entry.code}</strong> {entry.words}
        </span>
        <State tone={entry.problem ? 'stop' : 'hold'}>{entry.problem ? 'refused' : 'waiting'}</State>
      </p>
      {entry.problem && (
        <div className="mt-1 flex flex-wrap items-center gap-2">
          <p className="min-w-48 flex-1 text-sm">{entry.problem}</p>
          <Button size="small" tone="plain" onClick={() => void outbox.again(entry)}>
            Try again
          </Button>
          {sure ? (
            <Button size="small" tone="stop" onClick={() => void outbox.drop(entry)}>
              Delete without recording
            </Button>
          ) : (
            <Button size="small" tone="quiet" onClick={() => setSure(true)}>
              Remove…
            </Button>
          )}
        </div>
      )}
    </li>
  );
}

/** What waits on this device, and what the server would not take. */
export function WaitingSheet({ onClose }: { onClose: () => void }) {
  const waiting = useWaiting();
  const left = waiting.filter((w) => w.problem === null).length;
  return (
    <Dialog open onClose={onClose} title="Waiting on this device">
      <p className="text-ink-2">
        {left > 0
          ? `${plural(left, 'entry', 'entries')} will be sent in order as soon as the server answers. Nothing is lost if the page is closed.`
          : 'The server answered, and refused the entries below. They stay here until you send them again or delete them.'}
      </p>
      <ul className="mt-3">
        {waiting.map((entry) => (
          <Row key={entry.number} entry={entry} />
        ))}
      </ul>
      <div className="mt-4 flex justify-end">
        <Button tone="plain" onClick={onClose}>
          Close
        </Button>
      </div>
    </Dialog>
  );
}
