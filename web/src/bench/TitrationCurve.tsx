import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';

/** The curve as it grows, with the endpoint on it. */
export function TitrationCurve({
  points,
  endpointMl,
  ph,
}: {
  points: readonly { ml: number; ph: number }[];
  endpointMl: number | null;
  ph: number | null;
}) {
  return (
    <div className="h-72" role="img" aria-label={`pH against millilitres of base, ${points.length} readings`}>
      <ResponsiveContainer>
        <LineChart data={[...points]} margin={{ top: 12, right: 16, bottom: 18, left: 0 }}>
          <CartesianGrid stroke="var(--steel-line)" />
          <XAxis
            dataKey="ml"
            type="number"
            domain={[0, 'dataMax']}
            stroke="var(--ink-2)"
            tick={{ fontSize: 13 }}
            label={{ value: 'mL of base', position: 'insideBottom', offset: -10, fill: 'var(--ink-2)' }}
          />
          <YAxis
            type="number"
            domain={[2, 12]}
            ticks={[2, 4, 6, 8, 10, 12]}
            stroke="var(--ink-2)"
            tick={{ fontSize: 13 }}
            width={44}
          />
          {ph !== null && <ReferenceLine y={ph} stroke="var(--rim)" strokeDasharray="6 4" />}
          {endpointMl !== null && <ReferenceLine x={endpointMl} stroke="var(--stop)" strokeWidth={2} />}
          <Line
            dataKey="ph"
            stroke="var(--ink)"
            strokeWidth={2.5}
            dot={{ r: 4, fill: 'var(--enamel)', stroke: 'var(--ink)' }}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
