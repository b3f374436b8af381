import { biasOf, LEARNS_FROM } from '@inch/core/formula';
import type { LotPairs } from '@inch/core/lot';
import { PAIRED, type Paired } from '@inch/core/lot';
import { plural, volume } from '@inch/core/quantity';
import type { z } from 'zod';
import { dayMonthYear } from '../../ui/dates.ts';
import { minutesInWords } from '../../ui/format.ts';

export type Pairs = z.infer<typeof LotPairs>;

const NAMES: Record<Paired, { name: string; show: (value: number) => string; least: number }> = {
  ph: { name: 'pH', show: (v) => v.toFixed(2), least: 0.3 },
  brix: { name: 'Sugar, °Bx', show: (v) => v.toFixed(1), least: 5 },
  acid: { name: 'Acid, g/L as citric', show: (v) => v.toFixed(1), least: 3 },
  millilitres: { name: 'In bottles', show: (v) => volume(v, 0), least: 200 },
  minutes: { name: 'Time of the steps', show: (v) => minutesInWords(v), least: 30 },
};

const [W, ROW, PAD] = [220, 16, 8];

/** Each lot's measured figure against its forecast, the newest above: the line in the middle is the forecast. */
function Dots({ kind, pairs, colour }: { kind: Paired; pairs: readonly Pairs[]; colour: string }) {
  const rows = pairs.flatMap((lot) => {
    const pair = lot.figures[kind];
    return pair ? [{ code: lot.code, off: pair.measured - pair.forecast, pair }] : [];
  });
  const { name, show, least } = NAMES[kind];
  const reach = Math.max(least, ...rows.map((row) => Math.abs(row.off))) * 1.1;
  const x = (off: number) => W / 2 + (off / reach) * (W / 2 - PAD);
  const height = rows.length * ROW + 2 * PAD;
  const said = rows
    .map((row) => `${row.code}: forecast ${show(row.pair.forecast)}, measured ${show(row.pair.measured)}`)
    .join('; ');
  return (
    <svg viewBox={`0 0 ${W} ${height}`} width={W} height={height} role="img" aria-label={`${name}. ${said}`}>
      <path d={`M${W / 2} 0V${height}`} stroke="var(--steel)" strokeWidth="1" />
      {rows.map((row, i) => {
        const y = PAD + ROW * (i + 0.5);
        return (
          <g key={row.code}>
            <path d={`M${W / 2} ${y}H${x(row.off)}`} stroke={colour} strokeWidth="2" opacity="0.45" />
            <circle cx={x(row.off)} cy={y} r="4.5" fill={colour} />
            <title>{`${row.code}: forecast ${show(row.pair.forecast)}, measured ${show(row.pair.measured)}`}</title>
          </g>
        );
      })}
    </svg>
  );
}

function biasSaid(kind: Paired, pairs: readonly Pairs[]): string {
  const own = pairs.flatMap((lot) => lot.figures[kind] ?? []);
  const bias = biasOf(own);
  if (!bias) return 'One lot shows no average yet.';
  const { show } = NAMES[kind];
  const signed = (v: number) => `${v < 0 ? '−' : '+'}${show(Math.abs(v))}`;
  const follows =
    kind === 'ph'
      ? bias.count >= LEARNS_FROM
        ? ' The forecast above follows it.'
        : ` From ${LEARNS_FROM} lots on the forecast follows it.`
      : '';
  return `${plural(bias.count, 'lot')}: measured less forecast ${signed(bias.mean)} on the average, between ${signed(bias.low)} and ${signed(bias.high)} in nine cases of ten.${follows}`;
}

/** Forecast and measured side by side, for every figure that the kitchen's own lots measured. */
export function AsMeasured({ pairs, colour }: { pairs: readonly Pairs[] | undefined; colour: string }) {
  if (!pairs || pairs.length === 0) return null;
  const kinds = PAIRED.filter((kind) => pairs.some((lot) => lot.figures[kind]));
  const said = pairs.flatMap((lot) => lot.because.map((why) => ({ code: lot.code, on: lot.on, why })));
  return (
    <section className="mt-5" aria-label="Your lots, forecast and measured">
      <h3 className="border-b border-ink pb-1 text-sm font-semibold text-ink-2">
        Your lots: measured, to the right of the line where it was more than forecast
      </h3>
      {kinds.map((kind) => (
        <div key={kind} className="flex flex-wrap items-center gap-x-5 border-b border-steel-line py-2">
          <Dots kind={kind} pairs={pairs} colour={colour} />
          <p className="min-w-40 flex-1 text-sm">
            <strong>{NAMES[kind].name}</strong>
            <br />
            {biasSaid(kind, pairs)}
          </p>
        </div>
      ))}
      {said.map(({ code, on, why }) => (
        <p key={`${code} ${why}`} className="mt-1 text-sm text-ink-2">
          {code}, {dayMonthYear(on)}: {why}
        </p>
      ))}
    </section>
  );
}
