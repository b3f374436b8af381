import type { LotView } from '@inch/contract/lot';
import { GLASS_FAULTS, inWords } from '@inch/core/record';
import { useState } from 'react';
import { useContainers } from '../data/planning.ts';
import { useEntry } from '../data/useEntry.ts';
import { Button } from '../ui/Button.tsx';
import { Choice, Field } from '../ui/Field.tsx';

/** A nicked rim, a crack, a bent ring or a lid used once: it leaves the stock and never comes back. */
export function RetireForm({ lot }: { lot: LotView }) {
  const containers = useContainers().data ?? [];
  const [containerId, setContainer] = useState('');
  const [fault, setFault] = useState<(typeof GLASS_FAULTS)[number]>('nicked-rim');
  const [count, setCount] = useState('1');
  const write = useEntry(lot, 'fault', { done: 'Retired', after: () => setCount('1') });
  return (
    <form
      className="grid grid-cols-[1fr_1fr_6rem_auto] items-end gap-4 py-4 max-sm:grid-cols-1"
      onSubmit={(e) => {
        e.preventDefault();
        write.run({ containerId: containerId || (containers[0]?.id ?? ''), fault, count: Number(count) });
      }}
    >
      <Choice label="Of which kind" value={containerId} onChange={(e) => setContainer(e.target.value)}>
        {containers.map((c) => (
          <option key={c.id} value={c.id}>
            {c.name}
          </option>
        ))}
      </Choice>
      <Choice label="What is wrong" value={fault} onChange={(e) => setFault(e.target.value as typeof fault)}>
        {GLASS_FAULTS.map((f) => (
          <option key={f} value={f}>
            {inWords(f)}
          </option>
        ))}
      </Choice>
      <Field
        label="Pieces"
        figure
        inputMode="numeric"
        value={count}
        onChange={(e) => setCount(e.target.value)}
        error={write.fields.count}
      />
      <Button type="submit" tone="plain" disabled={write.busy}>
        Retire
      </Button>
    </form>
  );
}
