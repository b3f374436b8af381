import type { Spread } from '@inch/core/formula';

interface Props {
  spread: Spread;
  colour: string;
  digits: number;
  /** A line that is not to be passed, or that is to be reached. */
  limit?: { at: number; words: string; aim?: boolean } | undefined;
  name: string;
}

const WIDTH = 376;
const HEIGHT = 104;
const BASE = 76;

/** Steps of a scale that give about six marks. */
function stepFor(span: number): number {
  const rough = span / 6;
  const power = 10 ** Math.floor(Math.log10(rough));
  return [1, 2, 5, 10].map((m) => m * power).find((step) => step >= rough) ?? rough;
}

/** How often each figure came up, drawn over a rule; the dark mark underneath holds nine of ten. */
export function Distribution({ spread, colour, digits, limit, name }: Props) {
  const reach = limit
    ? [Math.min(spread.from, limit.at), Math.max(spread.to, limit.at)]
    : [spread.from, spread.to];
  const margin = (reach[1]! - reach[0]!) * 0.06 || 0.5;
  const [from, to] = [reach[0]! - margin, reach[1]! + margin];
  const x = (value: number) => ((value - from) / (to - from)) * WIDTH;
  const most = Math.max(...spread.bins, 1);
  const width = (x(spread.to) - x(spread.from)) / spread.bins.length;
  const step = stepFor(to - from);
  const marks: number[] = [];
  for (let v = Math.ceil(from / step) * step; v <= to; v += step) marks.push(v);
  const said = `${name}: middle ${spread.middle.toFixed(digits)}, nine of ten from ${spread.low.toFixed(digits)} to ${spread.high.toFixed(digits)}`;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label={said}>
      {spread.bins.map((count, i) => {
        const at = spread.from + ((i + 0.5) / spread.bins.length) * (spread.to - spread.from);
        const over = limit && !limit.aim && at > limit.at;
        return (
          <rect
            key={i}
            x={x(spread.from) + i * width + 0.5}
            width={Math.max(0.5, width - 1)}
            y={BASE - (count / most) * (BASE - 20)}
            height={(count / most) * (BASE - 20)}
            fill={over ? 'var(--stop)' : colour}
            opacity={over ? 0.9 : 0.8}
          />
        );
      })}
      <line x1="0" x2={WIDTH} y1={BASE} y2={BASE} stroke="var(--ink)" strokeWidth="1.2" />
      <rect
        x={x(spread.low)}
        width={Math.max(3, x(spread.high) - x(spread.low))}
        y={BASE + 2}
        height="5"
        rx="2.5"
        fill="var(--ink)"
        opacity="0.65"
      />
      {marks.map((v) => (
        <g key={v}>
          <line x1={x(v)} x2={x(v)} y1={BASE} y2={BASE + 11} stroke="var(--steel)" />
          <text
            x={x(v)}
            y={HEIGHT - 4}
            fontSize="11"
            textAnchor="middle"
            fill="var(--ink-2)"
            className="figure"
          >
            {v.toFixed(step < 0.1 ? 2 : step < 1 ? 1 : 0)}
          </text>
        </g>
      ))}
      {limit && (
        <g>
          <line
            x1={x(limit.at)}
            x2={x(limit.at)}
            y1="12"
            y2={BASE + 11}
            stroke={limit.aim ? 'var(--rim)' : 'var(--stop)'}
            strokeWidth="2.5"
          />
          <text
            x={x(limit.at) > WIDTH - 70 ? x(limit.at) - 5 : x(limit.at) + 5}
            y="14"
            fontSize="11.5"
            fontWeight="700"
            textAnchor={x(limit.at) > WIDTH - 70 ? 'end' : 'start'}
            fill={limit.aim ? 'var(--link)' : 'var(--stop)'}
          >
            {limit.words}
          </text>
        </g>
      )}
    </svg>
  );
}
