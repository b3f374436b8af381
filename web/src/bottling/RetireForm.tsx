import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { inWords } from '@inch/core/quantity';
import { GLASS_FAULTS } from '@inch/core/record';
import { useContainers } from '../data/containers.ts';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field } from '../ui/Field.tsx';

/** A nicked rim, a crack, a bent ring or a lid used once: it leaves the stock and never comes back. */
export function RetireForm({ lot }: { lot: LotView }) {
  const containers = useContainers().data ?? [];
  const form = useDeedForm({
    of: 'entry',
    draft: `fault ${lot.id}`,
    empty: { containerId: '', fault: GLASS_FAULTS[0] as string, count: '1' },
    schema: bodyOf('fault'),
    read: ({ containerId, fault }, fields) => ({
      containerId: containerId || undefined,
      fault,
      count: fields.figure('count', { unit: '', whole: true }) ?? undefined,
    }),
    write: (body) => recordEntry('fault', lot, body),
    done: 'Retired from stock',
  });
  return (
    <form
      className="grid grid-cols-[1fr_1fr_7rem_auto] items-start gap-4 py-4 max-sm:grid-cols-1"
      onSubmit={form.submit}
    >
      <Choice
        label="Kind of bottle"
        {...form.field('containerId')}
        options={[['', 'choose'], ...containers.map((c) => [c.id, c.name] as const)]}
      />
      <Choice label="Fault" {...form.field('fault')} options={GLASS_FAULTS.map((f) => [f, inWords(f)])} />
      <Field label="Pieces" figure inputMode="numeric" {...form.field('count')} />
      <Button type="submit" tone="plain" className="mt-6" disabled={form.busy}>
        Retire
      </Button>
      <DraftNote form={form} />
    </form>
  );
}
