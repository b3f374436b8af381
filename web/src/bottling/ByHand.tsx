import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import type { HeatProcess } from '@inch/core/heat';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { AT_HINT, happened } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { WhenField } from '../ui/WhenField.tsx';

const EMPTY = {
  processId: '',
  source: '',
  requiredMinutes: '',
  minutes: '',
  bottles: '',
  invertedSeconds: '',
  at: '',
  method: '',
};

/** How an atmospheric steam canner is used. Source: NCHFP (2015). */
export const STEAM_WORDS =
  'Water to its mark, vented to a full column of steam before the time begins; at most 45 minutes, jars up to a quart.';

/** A process that was not clocked here: from the list, or named with its source. */
export function ByHand({
  lot,
  processes,
  chosen = '',
}: {
  lot: LotView;
  processes: readonly HeatProcess[];
  /** The process that was asked for by its button. */
  chosen?: string;
}) {
  const isHot = (id: string) => processes.find((p) => p.id === id)?.method === 'hot-fill';
  const form = useDeedForm({
    of: 'entry',
    draft: `heat-process ${lot.id}`,
    empty: { ...EMPTY, processId: chosen },
    schema: bodyOf('heat-process'),
    read: (a, fields) => ({
      processId: a.processId || null,
      source: a.processId ? '' : a.source,
      requiredMinutes: a.processId ? null : fields.figure('requiredMinutes', { unit: 'min' }),
      minutes: fields.figure('minutes', { unit: 'min' }) ?? undefined,
      bottles: fields.figure('bottles', { unit: '', whole: true }),
      invertedSeconds: fields.figure('invertedSeconds', { unit: '' }),
      method: a.method === 'atmospheric-steam' && !isHot(a.processId) ? a.method : null,
      ...happened(a.at),
    }),
    write: (body) => recordEntry('heat-process', lot, body),
    done: 'Process recorded',
  });
  const process = processes.find((p) => p.id === form.values.processId);
  const hot = process?.method === 'hot-fill';
  return (
    <form className="grid grid-cols-3 gap-4 py-4 max-sm:grid-cols-1" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Choice
        className="col-span-2 max-sm:col-span-1"
        label="Process"
        hint={
          process
            ? process.source
            : 'Recorded, but it opens no check: the owner enters a process that counts under Kitchen.'
        }
        {...form.field('processId')}
        options={[['', 'Our own, with its source'], ...processes.map((p) => [p.id, p.name] as const)]}
      />
      <Field
        label={hot ? 'Minutes held' : 'Minutes at a full boil'}
        figure
        inputMode="decimal"
        {...form.field('minutes')}
      />
      {!process && (
        <>
          <Field className="col-span-2 max-sm:col-span-1" label="Source" {...form.field('source')} />
          <Field
            label="Minutes the source asks for"
            hint="At this kitchen’s elevation."
            figure
            inputMode="decimal"
            {...form.field('requiredMinutes')}
          />
        </>
      )}
      {!hot && (
        <Choice
          label="In"
          hint={form.values.method === 'atmospheric-steam' ? STEAM_WORDS : undefined}
          {...form.field('method')}
          options={[
            ['', 'a boiling-water canner'],
            ['atmospheric-steam', 'an atmospheric steam canner'],
          ]}
        />
      )}
      {hot && (
        <Field label="Seconds lid down" figure inputMode="numeric" {...form.field('invertedSeconds')} />
      )}
      <Field
        label="Bottles in it"
        figure
        inputMode="numeric"
        hint="Empty means all that are filled."
        {...form.field('bottles')}
      />
      <WhenField kind="moment" label="Processed at" hint={AT_HINT} {...form.when('at')} />
      <Button type="submit" disabled={form.busy} className="col-span-full justify-self-start">
        Record the process
      </Button>
    </form>
  );
}
