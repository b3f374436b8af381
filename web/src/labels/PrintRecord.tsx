import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { plural } from '@inch/core/quantity';
import { useState } from 'react';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { StrikeEntry } from '../parts/lot/StrikeEntry.tsx';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { dayAndTime, dayMonthYear } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { Ruled } from '../ui/Sheet.tsx';

function SpoiltDialog({ lot, printId, onClose }: { lot: LotView; printId: string; onClose: () => void }) {
  const form = useDeedForm({
    of: 'entry',
    draft: `spoilt ${printId}`,
    empty: { count: '1', why: '' },
    schema: bodyOf('spoilt-label'),
    read: (a, fields) => ({
      printId,
      count: fields.figure('count', { unit: '', whole: true, min: 1 }) ?? undefined,
      why: a.why,
    }),
    write: (body) =>
      recordEntry('spoilt-label', lot, body, `${plural(body.count, 'label')} spoilt or taken back`),
    after: onClose,
  });
  return (
    <Dialog open onClose={onClose} title="Labels spoilt or taken back">
      <form className="grid gap-4" onSubmit={form.submit}>
        <DraftNote form={form} />
        <Field label="Labels" figure inputMode="numeric" {...form.field('count')} />
        <Field label="Why" placeholder="smeared, torn, left over, taken off" {...form.field('why')} />
        <FormEnd onCancel={onClose} disabled={form.busy}>
          Record
        </FormEnd>
      </form>
    </Dialog>
  );
}

/** What was printed of a lot, what was spoilt of it, and what was printed anew. */
export function PrintRecord({ lot, mayWrite }: { lot: LotView; mayWrite: boolean }) {
  const [of, setOf] = useState<string | null>(null);
  const spoiltOf = (id: string) =>
    lot.spoiltLabels.filter((s) => s.printId === id).reduce((sum, s) => sum + s.count, 0);
  return (
    <Ruled title="Printed" className="mt-8">
      {lot.prints.length === 0 ? (
        <p className="py-3 text-ink-2">Nothing is printed yet.</p>
      ) : (
        <ul>
          {lot.prints.map((p) => (
            <li key={p.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-steel-line py-2">
              <span className={`figure w-10 text-right font-bold ${p.struck ? 'line-through' : ''}`}>
                {p.copies}
              </span>
              <span className="min-w-0 flex-1 text-sm text-ink-2">
                {p.struck && (
                  <strong className="text-ink">
                    Undone by {p.struck.by}: {p.struck.why}.{' '}
                  </strong>
                )}
                {p.reprintOf && <strong className="text-ink">Printed anew: {p.why}. </strong>}
                {spoiltOf(p.id) > 0 && (
                  <strong className="text-hold">{spoiltOf(p.id)} spoilt or taken back. </strong>
                )}
                {p.bestBy && <strong className="text-ink">{dayMonthYear(p.bestBy)}. </strong>}
                {p.statement}
              </span>
              <span className="text-sm text-ink-2">
                {dayAndTime(p.at)}, {p.by}
              </span>
              {mayWrite && !p.struck && (
                <>
                  <Button tone="quiet" size="small" onClick={() => setOf(p.id)}>
                    Spoilt or taken back…
                  </Button>
                  <StrikeEntry
                    lot={lot}
                    noun="print"
                    entryId={p.id}
                    by={p.by}
                    named={`the print of ${plural(p.copies, 'label')}`}
                  />
                </>
              )}
            </li>
          ))}
        </ul>
      )}
      {of && <SpoiltDialog lot={lot} printId={of} onClose={() => setOf(null)} />}
    </Ruled>
  );
}
