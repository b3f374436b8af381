import type { AgeingView } from '@inch/contract/making/ageing';
import type { Drifting } from '@inch/core/ageing';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ResponsiveContainer,
  Scatter,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';

const NAMES: Record<Drifting, { name: string; digits: number }> = {
  ph: { name: 'pH', digits: 2 },
  brix: { name: 'Sugar, °Bx', digits: 1 },
  colour: { name: 'Colour, of 10', digits: 1 },
  smell: { name: 'Smell, of 10', digits: 1 },
  taste: { name: 'Taste, of 10', digits: 1 },
};

interface Row {
  months: number;
  value?: number;
  middle?: number;
  low?: number;
  high?: number;
}

/** The drift's line through the middle of all points, with its interval fanning out from there. */
function lineOf(view: AgeingView, of: Drifting): Row[] {
  const drift = view.evidence.drifts[of];
  const points = view.points[of];
  if (!drift || points.length === 0) return [];
  const mean = (pick: (p: (typeof points)[number]) => number) =>
    points.reduce((sum, p) => sum + pick(p), 0) / points.length;
  const [x0, y0] = [mean((p) => p.months), mean((p) => p.value)];
  const last = Math.max(...points.map((p) => p.months));
  return [0, x0, last].map((months) => {
    const dx = months - x0;
    const ends = [y0 + drift.low * dx, y0 + drift.high * dx];
    return { months, middle: y0 + drift.perMonth * dx, low: Math.min(...ends), high: Math.max(...ends) };
  });
}

function said(view: AgeingView, of: Drifting): string {
  const drift = view.evidence.drifts[of];
  const { digits } = NAMES[of];
  const signed = (v: number) => `${v < 0 ? '−' : '+'}${Math.abs(v).toFixed(digits + 1)}`;
  if (!drift) return 'Two ages of one lot at least show a drift.';
  return `${signed(drift.perMonth)} a month, between ${signed(drift.low)} and ${signed(drift.high)} in nine cases of ten, by ${drift.count} looks at ${drift.lots} lots.`;
}

/** One figure of a formula's lots over their age, drawn with its drift. */
export function DriftChart({ view, of, colour }: { view: AgeingView; of: Drifting; colour: string }) {
  const points = view.points[of];
  if (points.length === 0) return null;
  const { name, digits } = NAMES[of];
  const rows: Row[] = [
    ...points.map((p) => ({ months: p.months, value: p.value })),
    ...lineOf(view, of),
  ].sort((a, b) => a.months - b.months);
  return (
    <figure className="min-w-0">
      <figcaption className="font-semibold">{name}</figcaption>
      <div className="h-44" role="img" aria-label={`${name} by age. ${said(view, of)}`}>
        <ResponsiveContainer>
          <ComposedChart data={rows} margin={{ top: 8, right: 12, bottom: 4, left: -14 }}>
            <CartesianGrid stroke="var(--steel-line)" vertical={false} />
            <XAxis
              dataKey="months"
              type="number"
              domain={[0, 'dataMax']}
              tickFormatter={(m: number) => `${Math.round(m)} mo`}
              stroke="var(--ink-2)"
              fontSize={12}
            />
            <YAxis
              domain={['auto', 'auto']}
              tickFormatter={(v: number) => v.toFixed(digits)}
              stroke="var(--ink-2)"
              fontSize={12}
            />
            <Tooltip
              formatter={(v) => Number(v).toFixed(digits)}
              labelFormatter={(m) => `${Number(m).toFixed(1)} months`}
            />
            <Line
              dataKey="low"
              stroke={colour}
              strokeDasharray="3 3"
              dot={false}
              connectNulls
              isAnimationActive={false}
              name="low"
            />
            <Line
              dataKey="high"
              stroke={colour}
              strokeDasharray="3 3"
              dot={false}
              connectNulls
              isAnimationActive={false}
              name="high"
            />
            <Line
              dataKey="middle"
              stroke={colour}
              strokeWidth={2}
              dot={false}
              connectNulls
              isAnimationActive={false}
              name="drift"
            />
            <Scatter dataKey="value" fill={colour} isAnimationActive={false} name={name} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <p className="text-sm text-ink-2">{said(view, of)}</p>
    </figure>
  );
}
