import type { HeatSample } from '@inch/core/heat';
import { temperature } from '@inch/core/quantity';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';

const INK = { fontSize: 12, fill: 'var(--ink-2)' };

/** A temperature over time, with what was round it and where 93.3 °C lies. */
export function HeatCurve({
  samples,
  around = [],
  colour,
  marks = [],
}: {
  samples: readonly HeatSample[];
  around?: readonly HeatSample[];
  colour: string;
  marks?: readonly { seconds: number; says: string }[];
}) {
  const points = samples.map((s) => ({ minutes: s.seconds / 60, celsius: s.celsius }));
  const bath = around
    .filter((s) => s.seconds <= (samples.at(-1)?.seconds ?? 0))
    .map((s) => ({ minutes: s.seconds / 60, around: s.celsius }));
  const all = [...points, ...bath].sort((a, b) => a.minutes - b.minutes);
  const hottest = Math.max(...samples.map((s) => s.celsius));
  return (
    <div
      className="mt-3 h-56 w-full max-w-3xl"
      role="img"
      aria-label={`Temperature over ${Math.round(points.at(-1)?.minutes ?? 0)} minutes, up to ${temperature(hottest, 1)}`}
    >
      <ResponsiveContainer>
        <LineChart data={all} margin={{ top: 16, right: 36, bottom: 4, left: -14 }}>
          <CartesianGrid stroke="var(--steel-line)" vertical={false} />
          <XAxis
            dataKey="minutes"
            type="number"
            domain={[0, 'dataMax']}
            tick={INK}
            unit=" min"
            tickFormatter={(m: number) => String(Math.round(m))}
          />
          <YAxis domain={[0, 110]} ticks={[0, 20, 40, 60, 80, 100]} tick={INK} unit="°" />
          <ReferenceLine
            y={93.3}
            stroke="var(--rim)"
            strokeDasharray="5 4"
            label={{ value: '93.3', ...INK, position: 'right' }}
          />
          {marks.map((m) => (
            <ReferenceLine
              key={m.says}
              x={m.seconds / 60}
              stroke="var(--steel)"
              label={{ value: m.says, ...INK, position: 'insideTopLeft' }}
            />
          ))}
          <Line
            dataKey="around"
            stroke="var(--steel)"
            strokeWidth={1.5}
            dot={false}
            activeDot={false}
            connectNulls
            isAnimationActive={false}
          />
          <Line
            dataKey="celsius"
            stroke={colour}
            strokeWidth={2.5}
            dot={false}
            activeDot={false}
            connectNulls
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
