import type { Divided } from '@inch/core/planning';
import { weight } from '@inch/core/quantity';
import { dayMonth } from '../ui/dates.ts';
import type { RipeRow, UseRow } from './dividing.ts';

const day = (d: string) => dayMonth(d);

/** The picking as one bar, parted as it would be. */
export function PartedBar({
  divided,
  rows,
  whole,
}: {
  divided: Divided;
  rows: readonly UseRow[];
  whole: number;
}) {
  const of = (grams: number) => `${(100 * grams) / whole}%`;
  const used = rows
    .map((r) => ({
      ...r.formula,
      grams: divided.shares.filter((s) => s.useId === r.formula.id).reduce((sum, s) => sum + s.grams, 0),
    }))
    .filter((u) => u.grams > 0);
  const frozen = divided.frozen.reduce((sum, f) => sum + f.grams, 0);
  return (
    <div
      role="img"
      aria-label="The picking, divided"
      className="flex h-14 overflow-hidden rounded border-2 border-steel"
    >
      {used.map((u) => (
        <span
          key={u.id}
          className="overflow-hidden px-2 text-sm leading-[3.25rem] font-semibold whitespace-nowrap text-white"
          style={{ width: of(u.grams), background: u.colour }}
        >
          {u.name}
        </span>
      ))}
      {frozen > 0 && (
        <span
          className="overflow-hidden border-l-2 border-enamel bg-rim-pale px-2 text-sm leading-[3.25rem] font-semibold whitespace-nowrap text-ink"
          style={{ width: of(frozen) }}
        >
          freezer
        </span>
      )}
      {divided.over > 0.5 && <span className="hatch" style={{ width: of(divided.over) }} />}
    </div>
  );
}

/** What of it goes where, and what finds no place. */
export function SharesList({
  divided,
  rows,
  ripe,
}: {
  divided: Divided;
  rows: readonly UseRow[];
  ripe: readonly RipeRow[];
}) {
  const says = (id: string) => ripe.find((r) => r.id === id)?.says.toLowerCase();
  const frozen = divided.frozen.reduce((sum, f) => sum + f.grams, 0);
  return (
    <ul className="mt-2">
      {divided.shares.map((s) => {
        const row = rows.find((r) => r.formula.id === s.useId)!;
        return (
          <li key={`${s.useId} ${s.ripenessId}`} className="flex gap-4 border-b border-steel-line py-1.5">
            <strong className="figure w-24 text-right">{weight(s.grams)}</strong>
            <span className="flex-1">
              {row.formula.name} on {day(row.on)}{' '}
              <span className="text-ink-2">of what {says(s.ripenessId)}</span>
            </span>
          </li>
        );
      })}
      {frozen > 0 && (
        <li className="flex gap-4 border-b border-steel-line py-1.5">
          <strong className="figure w-24 text-right">{weight(frozen)}</strong>
          <span>into the freezer, a stock lot of its own</span>
        </li>
      )}
      {divided.over > 0.5 && (
        <li className="flex gap-4 border-b border-steel-line py-1.5 font-semibold text-hold">
          <span className="figure w-24 text-right">{weight(divided.over)}</span>
          <span>▲ find no place in time: give them away, or make more room</span>
        </li>
      )}
    </ul>
  );
}
