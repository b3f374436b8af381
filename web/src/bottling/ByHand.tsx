import type { LotView } from '@inch/contract/lot';
import type { HeatProcess } from '@inch/core/heat';
import { useState } from 'react';
import { numberOrNull, useEntry } from '../data/useEntry.ts';
import { Button } from '../ui/Button.tsx';
import { AT_HINT, happened } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';

const EMPTY = { processId: '', source: '', asked: '', minutes: '', bottles: '', inverted: '', at: '' };

/** A process that was not clocked here: from the list, or told with its source. */
export function ByHand({ lot, processes }: { lot: LotView; processes: readonly HeatProcess[] }) {
  const [a, change] = useState(EMPTY);
  const set = (part: Partial<typeof EMPTY>) => change({ ...a, ...part });
  const write = useEntry(lot, 'process', { done: 'Recorded', after: () => change(EMPTY) });
  const process = processes.find((p) => p.id === a.processId);
  const hot = process?.method === 'hot-fill';
  return (
    <form
      className="grid grid-cols-3 gap-4 py-4 max-sm:grid-cols-1"
      onSubmit={(e) => {
        e.preventDefault();
        write.run({
          processId: a.processId || null,
          source: a.source,
          requiredMinutes: a.processId ? null : numberOrNull(a.asked),
          minutes: Number(a.minutes),
          bottles: numberOrNull(a.bottles),
          invertedSeconds: numberOrNull(a.inverted),
          ...happened(a.at),
        });
      }}
    >
      <Choice
        className="col-span-2 max-sm:col-span-1"
        label="Which process"
        value={a.processId}
        onChange={(e) => set({ processId: e.target.value })}
        error={write.fields.processId}
        hint={process ? process.source : 'An authority’s letter, or a tested book with its edition.'}
      >
        <option value="">Our own, with its source</option>
        {processes.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </Choice>
      <Field
        label={hot ? 'Minutes held' : 'Minutes at a full boil'}
        figure
        inputMode="decimal"
        value={a.minutes}
        onChange={(e) => set({ minutes: e.target.value })}
        error={write.fields.minutes}
      />
      {!process && (
        <>
          <Field
            className="col-span-2 max-sm:col-span-1"
            label="Its source"
            value={a.source}
            onChange={(e) => set({ source: e.target.value })}
            error={write.fields.source}
          />
          <Field
            label="Minutes it asks for here"
            figure
            inputMode="decimal"
            value={a.asked}
            onChange={(e) => set({ asked: e.target.value })}
            error={write.fields.requiredMinutes}
          />
        </>
      )}
      {hot && (
        <Field
          label="Seconds lid down"
          figure
          inputMode="numeric"
          value={a.inverted}
          onChange={(e) => set({ inverted: e.target.value })}
          error={write.fields.invertedSeconds}
        />
      )}
      <Field
        label="Bottles in it"
        figure
        inputMode="numeric"
        value={a.bottles}
        onChange={(e) => set({ bottles: e.target.value })}
        error={write.fields.bottles}
        hint="Empty means all that are filled."
      />
      <Field
        label="Processed at"
        type="datetime-local"
        value={a.at}
        onChange={(e) => set({ at: e.target.value })}
        error={write.fields.at}
        hint={AT_HINT}
      />
      <Button type="submit" disabled={write.busy} className="col-span-full justify-self-start">
        Record the process
      </Button>
    </form>
  );
}
