import { type LotView, lotRoutes } from '@inch/contract/making/lot';
import { gramsInJar, numberedBottles } from '@inch/core/lot';
import { plural, weight } from '@inch/core/quantity';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { useRecord } from '../data/record.ts';
import { useWrite } from '../data/useWrite.ts';
import { LineToAdd } from '../parts/lot/WeighIn.tsx';
import { Button } from '../ui/Button.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';

type Line = LotView['lines'][number];

/** Jars of a lot, and one more than are ticked while none is counted yet. */
function jarsOf(lot: LotView, ticked: number): { bottle: number; nominalMl: number | null }[] {
  const filled = numberedBottles(lot).map((b) => ({ bottle: b.number, nominalMl: b.bottling.nominalMl }));
  if (filled.length > 0) return filled;
  const planned = Math.ceil((lot.product.content.targets?.bottles ?? 0) * lot.scale);
  return Array.from({ length: Math.max(planned, ticked + 1) }, (_, i) => ({
    bottle: i + 1,
    nominalMl: lot.product.content.bottleMl,
  }));
}

const LOOK = {
  in: 'border-go bg-go text-enamel',
  part: 'border-hold bg-enamel text-ink',
  out: 'border-steel bg-enamel text-ink',
} as const;

/** Ticks of a lot: a jar pressed takes all its lines, or the one that was chosen; pressed again, they are struck. */
function useTicks(lot: LotView, lines: readonly Line[]) {
  const write = useRecord('tick', lot);
  const strike = useWrite('entry', (entryId: string) =>
    call(lotRoutes.strike, {
      params: { id: lot.id },
      body: { noun: 'tick', entryId, why: 'a slip in ticking' },
    }),
  );
  const standing = lot.ticks.filter((t) => t.struck === null);
  const of = (bottle: number) =>
    lines.map((line) => standing.find((t) => t.lineId === line.lineId && t.bottle === bottle));
  return {
    busy: write.busy || strike.busy,
    last: Math.max(0, ...standing.map((t) => t.bottle)),
    state: (bottle: number): keyof typeof LOOK => {
      const ticks = of(bottle);
      return ticks.every(Boolean) ? 'in' : ticks.some(Boolean) ? 'part' : 'out';
    },
    press: (bottle: number) => {
      const ticks = of(bottle);
      if (ticks.every(Boolean)) for (const tick of ticks) strike.run(tick!.id);
      else
        lines.forEach((line, i) => {
          if (!ticks[i]) write.run({ lineId: line.lineId, bottle });
        });
    },
  };
}

function inJarOf(lot: LotView, lines: readonly Line[], nominalMl: number | null): string {
  if (nominalMl === null) return '';
  return lines
    .flatMap((line) => {
      const grams = gramsInJar(lot, line.lineId, nominalMl, lot.cupSchool);
      return grams === null ? [] : [`${weight(grams)} ${line.name.toLowerCase()}`];
    })
    .join(', ');
}

function Which({
  lines,
  one,
  choose,
}: {
  lines: readonly Line[];
  one: string | null;
  choose: (lineId: string | null) => void;
}) {
  if (lines.length < 2) return null;
  return (
    <div className="mb-2 flex flex-wrap items-center gap-2 text-sm">
      A press ticks
      {[null, ...lines].map((line) => (
        <Button
          key={line?.lineId ?? 'all'}
          size="small"
          tone={one === (line?.lineId ?? null) ? 'main' : 'plain'}
          aria-pressed={one === (line?.lineId ?? null)}
          onClick={() => choose(line?.lineId ?? null)}
        >
          {line ? line.name.toLowerCase() : 'all of them'}
        </Button>
      ))}
    </div>
  );
}

function Jars({ lot, lines, open }: { lot: LotView; lines: readonly Line[]; open: boolean }) {
  const ticks = useTicks(lot, lines);
  const jars = jarsOf(lot, ticks.last).slice(0, 200);
  const names = lines.map((line) => line.name).join(', ');
  const sizes = [...new Set(jars.map((jar) => jar.nominalMl))];
  return sizes.map((size) => (
    <div key={size ?? 0} className="py-2">
      <p className="mb-1.5">In each: {inJarOf(lot, lines, size) || names.toLowerCase()}</p>
      <div className="flex flex-wrap gap-2">
        {jars
          .filter((jar) => jar.nominalMl === size)
          .map(({ bottle }) => {
            const state = ticks.state(bottle);
            return (
              <button
                key={bottle}
                type="button"
                disabled={!open || ticks.busy}
                aria-pressed={state === 'in'}
                aria-label={`Bottle ${bottle}: ${names} ${state === 'in' ? 'is in' : state === 'part' ? 'is in only in part' : 'is not in'}`}
                onClick={() => ticks.press(bottle)}
                className={`figure size-14 rounded-lg border-2 text-lg font-bold ${LOOK[state]}`}
              >
                {state === 'in' ? '✓' : bottle}
              </button>
            );
          })}
      </div>
    </div>
  ));
}

/** What goes in jar by jar: one press a jar, right only if none is missed; its sum is then written down with where it came from. */
export function BottleTicks({ lot, open }: { lot: LotView; open: boolean }) {
  const lines = lot.lines.filter((line) => line.byJar);
  const [one, setOne] = useState<string | null>(null);
  if (lines.length === 0) return null;
  const { filled } = lot.bottles;
  const ticked = lines.map(
    (line) =>
      lot.ticks.filter(
        (t) => t.struck === null && t.lineId === line.lineId && (!filled || t.bottle <= filled),
      ).length,
  );
  const missing = filled * lines.length - ticked.reduce((sum, count) => sum + count, 0);
  return (
    <Ruled
      className="mt-6"
      title="Jar by jar"
      aside={
        <State tone={missing > 0 ? 'hold' : filled > 0 ? 'go' : 'plain'} className="text-sm">
          {filled === 0
            ? `${plural(Math.min(...ticked), 'jar')} ticked`
            : missing > 0
              ? `${plural(missing, 'tick')} missing`
              : 'every jar ticked'}
        </State>
      }
    >
      <Which lines={lines} one={one} choose={setOne} />
      <Jars lot={lot} lines={one === null ? lines : lines.filter((l) => l.lineId === one)} open={open} />
      {open && filled > 0 && missing <= 0 && (
        <ul className="border-t border-steel-line">
          {lines.map((line) => (
            <LineToAdd key={line.lineId} lot={lot} line={line} stepId={null} at={undefined} />
          ))}
        </ul>
      )}
    </Ruled>
  );
}
