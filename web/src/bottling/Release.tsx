import { type LotView, lotRoutes } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { useState } from 'react';
import { urlOf } from '../data/address.ts';
import { recordEntry, useRecord } from '../data/record.ts';
import { useMayWrite } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button, buttonLook } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { dayAndTime } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { Fold } from './Fold.tsx';

type Deviation = LotView['deviations'][number];

function CloseIt({ lot, deviation }: { lot: LotView; deviation: Deviation }) {
  const form = useDeedForm({
    of: 'entry',
    draft: `closing ${deviation.id}`,
    empty: { cause: '', done: '' },
    schema: bodyOf('closing'),
    read: (a) => ({ deviationId: deviation.id, cause: a.cause, done: a.done }),
    write: (body) => recordEntry('closing', lot, body),
  });
  return (
    <form
      className="mt-2 grid grid-cols-[1fr_1fr_auto] items-start gap-4 max-sm:grid-cols-1"
      onSubmit={form.submit}
    >
      <DraftNote form={form} />
      <Field label="Its cause" {...form.field('cause')} />
      <Field label="What was done" {...form.field('done')} />
      <Button type="submit" tone="plain" className="sm:mt-6" disabled={form.busy}>
        Close the deviation
      </Button>
    </form>
  );
}

function DeviationRow({ lot, deviation: d, open }: { lot: LotView; deviation: Deviation; open: boolean }) {
  const holds = d.kind === 'held' && lot.state === 'held';
  return (
    <li
      id={`entry-${d.id}`}
      className="border-b border-steel-line py-3"
      data-deviation={d.closed ? 'closed' : 'open'}
    >
      <p className="flex flex-wrap items-baseline gap-x-3">
        <State tone={d.closed ? 'go' : 'hold'}>{d.closed ? 'closed' : 'open'}</State>
        <span className="font-semibold">{d.what}</span>
        <span className="text-sm text-ink-2">
          {dayAndTime(d.at)}, {d.by}
        </span>
      </p>
      {d.closed && (
        <p className="text-sm">
          <span className="text-ink-2">Cause:</span> {d.closed.cause}.{' '}
          <span className="text-ink-2">Done:</span> {d.closed.done}.{' '}
          <span className="text-ink-2">
            Decided by {d.closed.by}, {dayAndTime(d.closed.at)}
          </span>
        </p>
      )}
      {!d.closed && holds && (
        <p className="text-sm text-ink-2">It holds the lot. The owner closes it by resuming the lot.</p>
      )}
      {!d.closed && !holds && open && <CloseIt lot={lot} deviation={d} />}
    </li>
  );
}

function NewDeviation({ lot }: { lot: LotView }) {
  const [what, setWhat] = useState('');
  const write = useRecord('deviation', lot, { after: () => setWhat('') });
  return (
    <form
      className="grid grid-cols-[1fr_auto] items-end gap-4 py-4"
      onSubmit={(e) => {
        e.preventDefault();
        write.run({ what });
      }}
    >
      <Field
        label="What was out of its limits"
        value={what}
        onChange={(e) => setWhat(e.target.value)}
        error={write.fields.what}
      />
      <Button type="submit" tone="plain" disabled={write.busy || what.trim().length < 2}>
        Open a deviation
      </Button>
    </form>
  );
}

const EVENTS: Record<string, string> = {
  fill: 'filled',
  'check-seals': 'seals checked',
  release: 'released',
  hold: 'held',
  resume: 'taken up again',
  discard: 'discarded',
  recall: 'recalled',
  close: 'closed',
  begin: 'begun',
};

const signatureSaid = (d: LotView['decisions'][number]): string =>
  d.signed
    ? `signed with the password${d.recordHash ? `, record ${d.recordHash.slice(0, 8)}` : ''}`
    : 'not signed: it came in with a kitchen file';

/** Where a complaint may still come: it is written down as something out of its limits. */
const AFTER_RELEASE: ReadonlySet<string> = new Set(['released', 'closed', 'recalled']);

/** What was out of its limits, what was decided, and the sheet that says what a release rests on. */
export function Release({ lot, open }: { lot: LotView; open: boolean }) {
  const mayWrite = useMayWrite();
  return (
    <>
      <p className="border-l-4 border-rim py-0.5 pl-3">
        Critical limit of this lot: <span className="figure font-bold">pH {lot.criticalPh}</span>. A lot is
        released only when every release check is passed and somebody signs for it. What is shown here was
        measured; it replaces no authority.
      </p>
      <Ruled title="Deviations" className="mt-6">
        {lot.deviations.length === 0 && lot.state !== 'recalled' && (
          <p className="py-3 text-ink-2">Nothing was out of its limits.</p>
        )}
        {lot.state === 'recalled' && (
          <p className="py-3 font-semibold text-stop">
            Recalled: {lot.decisions.findLast((d) => d.to === 'recalled')?.why}
          </p>
        )}
        <ul>
          {lot.deviations.map((d) => (
            <DeviationRow key={d.id} lot={lot} deviation={d} open={open} />
          ))}
        </ul>
      </Ruled>
      {(open || (mayWrite && AFTER_RELEASE.has(lot.state))) && (
        <Fold title="Record something out of its limits" open={false}>
          {lot.state === 'released' && (
            <p className="pt-3 font-semibold text-hold">The lot is released: it is held at once.</p>
          )}
          <NewDeviation lot={lot} />
        </Fold>
      )}
      <Ruled title="Decided" className="mt-6">
        {lot.decisions.length === 0 && <p className="py-3 text-ink-2">Nothing yet.</p>}
        <ol>
          {lot.decisions.map((d) => (
            <li key={d.id} className="border-b border-steel-line py-2">
              <span className="font-semibold">{EVENTS[d.event] ?? d.event}</span>
              {d.why && <>: {d.why}</>}{' '}
              <span className="text-sm text-ink-2">
                {dayAndTime(d.at)}, {d.by}
                {d.event === 'release' && `, ${signatureSaid(d)}`}
              </span>
            </li>
          ))}
        </ol>
      </Ruled>
      <p className="mt-6">
        <a
          className={buttonLook({ tone: 'plain' })}
          href={urlOf(lotRoutes.releaseSheet.path, { id: lot.id })}
          target="_blank"
          rel="noreferrer"
        >
          Release sheet as PDF
        </a>
      </p>
    </>
  );
}
