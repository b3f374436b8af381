import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { netContents } from '@inch/core/bottling';
import { bottleSize, plural, volume, weightShown, weightSign } from '@inch/core/quantity';
import { useContainers } from '../data/containers.ts';
import { recordEntry } from '../data/record.ts';
import { useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field } from '../ui/Field.tsx';
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
        <span className="figure font-bold">{volume(averageMl, 1)}</span> on average at 20 °C
        <State tone={reasons.length > 0 ? 'hold' : 'go'} className="block text-sm">
          {reasons.length > 0
            ? reasons.join('; ')
            : `meets the ${kitchen.rulePack === 'eu' ? 'European' : 'United States'} pack`}
        </State>
      </p>
    </div>
  );
}

function WeighForm({ lot, bottlings }: { lot: LotView; bottlings: readonly Bottling[] }) {
  const containers = useContainers().data;
  const form = useDeedForm({
    of: 'entry',
    draft: `weighing ${lot.id}`,
    empty: { bottlingId: bottlings.at(-1)!.id, grossGrams: '', tareGrams: '' },
    schema: bodyOf('weighing'),
    read: ({ bottlingId }, fields) => ({
      bottlingId,
      grossGrams: fields.figure('grossGrams', { unit: 'g', kitchens: true }) ?? undefined,
      tareGrams: fields.figure('tareGrams', { unit: 'g', kitchens: true }),
    }),
    write: (body) => recordEntry('weighing', lot, body),
    done: 'Weighing recorded',
  });
  const bottling = bottlings.find((b) => b.id === form.values.bottlingId);
  const known = containers?.find((c) => c.id === bottling?.containerId)?.tareGrams;
  return (
    <form
      className="grid grid-cols-[1fr_10rem_10rem_auto] items-start gap-4 py-4 max-sm:grid-cols-1"
      onSubmit={form.submit}
    >
      <Choice
        label="Filling"
        {...form.field('bottlingId')}
        options={bottlings.map((b) => [b.id, `${b.count} × ${bottleSize(b.nominalMl)} ${b.container}`])}
      />
      <Field
        label={`Full bottle, ${weightSign('light')}`}
        figure
        inputMode="decimal"
        {...form.field('grossGrams')}
      />
      <Field
        label={`Empty bottle, ${weightSign('light')}`}
        figure
        inputMode="decimal"
        placeholder={known ? String(weightShown(known, 'light')) : ''}
        hint="With its closure."
        {...form.field('tareGrams')}
      />
      <Button type="submit" tone="plain" className="mt-6" disabled={form.busy}>
        Record weight
      </Button>
      <DraftNote form={form} />
    </form>
  );
}

/** Bottles weighed: what the label says is in them, by average and by the shortfall that is allowed. */
export function Weighings({ lot, open }: { lot: LotView; open: boolean }) {
  const bottlings = lot.bottlings.filter((b) => b.struck === null);
  if (bottlings.length === 0) return null;
  return (
    <Ruled title="Weigh a bottle" className="mt-6">
      {bottlings.map((b) => (
        <Verdict key={b.id} lot={lot} bottling={b} />
      ))}
      {open && <WeighForm lot={lot} bottlings={bottlings} />}
    </Ruled>
  );
}
