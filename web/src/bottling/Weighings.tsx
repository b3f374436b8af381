import type { LotView } from '@inch/contract/lot';
import { netContents } from '@inch/core/bottling';
import { useState } from 'react';
import { useContainers } from '../data/planning.ts';
import { useSession } from '../data/session.tsx';
import { numberOrNull, useEntry } from '../data/useEntry.ts';
import { Button } from '../ui/Button.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { plural } from '../ui/format.ts';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';

type Bottling = LotView['bottlings'][number];

/** Weighed bottles as dots along their millilitres, the label's own as a long tick. */
function Dots({ nominal, weighed, colour }: { nominal: number; weighed: number[]; colour: string }) {
  const low = Math.min(nominal * 0.94, ...weighed) - 1;
  const high = Math.max(nominal * 1.06, ...weighed) + 1;
  const x = (ml: number) => 10 + ((ml - low) / (high - low)) * 300;
  return (
    <svg viewBox="0 0 320 40" width="320" height="40" className="max-w-full" aria-hidden="true">
      <path d="M6 28H314" stroke="var(--steel)" strokeWidth="1.5" />
      <path d={`M${x(nominal)} 6v26`} stroke="var(--rim)" strokeWidth="2.5" />
      <text x={x(nominal)} y="39" fontSize="10.5" textAnchor="middle" className="figure" fill="var(--ink-2)">
        {nominal}
      </text>
      {weighed.map((ml, i) => (
        <circle key={`${i} ${ml}`} cx={x(ml)} cy="20" r="4.5" fill={colour} stroke="var(--enamel)" />
      ))}
    </svg>
  );
}

function Verdict({ lot, bottling }: { lot: LotView; bottling: Bottling }) {
  const { kitchen } = useSession();
  const weighed = lot.weighings.filter((w) => w.struck === null && w.bottlingId === bottling.id);
  if (weighed.length === 0) return null;
  const net = weighed.map((w) => w.netMl);
  const { averageMl, reasons } = netContents(kitchen.rulePack, bottling.nominalMl, net);
  return (
    <div className="flex flex-wrap items-center gap-5 border-b border-steel-line py-2">
      <Dots nominal={bottling.nominalMl} weighed={net} colour={lot.product.colour} />
      <p>
        {plural(net.length, 'bottle')} of {bottling.container.toLowerCase()}:{' '}
        <span className="figure font-bold">{averageMl.toFixed(1)} mL</span> on average at 20 °C
        <State tone={reasons.length > 0 ? 'hold' : 'go'} className="block text-sm">
          {reasons.length > 0
            ? reasons.join('; ')
            : `meets the ${kitchen.rulePack === 'eu' ? 'European' : 'United States'} pack`}
        </State>
      </p>
    </div>
  );
}

/** Bottles weighed: what the label says is in them, by average and by the shortfall that is allowed. */
export function Weighings({ lot, open }: { lot: LotView; open: boolean }) {
  const bottlings = lot.bottlings.filter((b) => b.struck === null);
  const containers = useContainers().data;
  const [bottlingId, setBottling] = useState(bottlings.at(-1)?.id ?? '');
  const [gross, setGross] = useState('');
  const [tare, setTare] = useState('');
  const write = useEntry(lot, 'weigh', { after: () => setGross('') });
  const bottling = bottlings.find((b) => b.id === bottlingId) ?? bottlings.at(-1);
  const known = containers?.find((c) => c.id === bottling?.containerId)?.tareGrams;
  if (!bottling) return null;
  return (
    <Ruled title="Weigh a bottle" className="mt-6">
      {bottlings.map((b) => (
        <Verdict key={b.id} lot={lot} bottling={b} />
      ))}
      {open && (
        <form
          className="grid grid-cols-[1fr_9rem_9rem_auto] items-end gap-4 py-4 max-sm:grid-cols-1"
          onSubmit={(e) => {
            e.preventDefault();
            write.run({ bottlingId: bottling.id, grossGrams: Number(gross), tareGrams: numberOrNull(tare) });
          }}
        >
          <Choice label="Of which filling" value={bottling.id} onChange={(e) => setBottling(e.target.value)}>
            {bottlings.map((b) => (
              <option key={b.id} value={b.id}>
                {b.count} × {b.nominalMl} mL {b.container}
              </option>
            ))}
          </Choice>
          <Field
            label="Full, g"
            figure
            inputMode="decimal"
            value={gross}
            onChange={(e) => setGross(e.target.value)}
            error={write.fields.grossGrams}
          />
          <Field
            label="Empty, g"
            figure
            inputMode="decimal"
            value={tare}
            placeholder={known ? String(known) : ''}
            onChange={(e) => setTare(e.target.value)}
            error={write.fields.tareGrams}
          />
          <Button type="submit" tone="plain" disabled={write.busy || !(Number(gross) > 0)}>
            Weigh it
          </Button>
        </form>
      )}
    </Ruled>
  );
}
