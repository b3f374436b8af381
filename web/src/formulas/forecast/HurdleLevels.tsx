import type { Forecast } from '@inch/core/formula';
import { limitOf } from '@inch/core/keeping';

type Hurdle = Forecast['hurdles'][number];

/** A hurdle that has a scale: where it stands on it, and where its limit is. */
function scaleOf(h: Hurdle, f: Forecast, criticalPh: number) {
  switch (h.id) {
    case 'acid':
      return f.ph && { low: 2.2, high: 5.2, at: f.ph.high, limit: limitOf(criticalPh), under: true };
    case 'acetic':
      return { low: 0, high: 3, at: f.aceticPercent, limit: 1, under: false };
    case 'alcohol':
      return { low: 0, high: 20, at: f.abv, limit: 15, under: false };
    case 'water':
      return f.waterActivity === null
        ? null
        : { low: 0.8, high: 1, at: f.waterActivity, limit: 0.85, under: true };
    default:
      return null;
  }
}

const W = 96;

function Level({ hurdle, f, criticalPh }: { hurdle: Hurdle; f: Forecast; criticalPh: number }) {
  const scale = scaleOf(hurdle, f, criticalPh);
  if (!scale)
    return (
      <svg width={W} height="16" aria-hidden="true">
        <rect
          x="1"
          y="2"
          width="12"
          height="12"
          rx="2"
          fill={hurdle.met ? 'var(--go)' : 'none'}
          stroke={hurdle.met ? 'var(--go)' : 'var(--steel)'}
          strokeWidth="1.5"
        />
        {hurdle.met && <path d="M4 8l3 3 5-6" stroke="var(--enamel)" strokeWidth="2" fill="none" />}
      </svg>
    );
  const x = (v: number) => 1 + Math.min(1, Math.max(0, (v - scale.low) / (scale.high - scale.low))) * (W - 2);
  return (
    <svg width={W} height="16" aria-hidden="true">
      <rect x="1" y="6" width={W - 2} height="5" rx="2.5" fill="var(--steel-line)" />
      <rect
        className="level"
        x="1"
        y="6"
        width={Math.max(2, x(scale.at) - 1)}
        height="5"
        rx="2.5"
        fill={hurdle.carries ? 'var(--go)' : 'var(--steel)'}
      />
      <line x1={x(scale.limit)} x2={x(scale.limit)} y1="1" y2="15" stroke="var(--stop)" strokeWidth="2" />
    </svg>
  );
}

function levelWords(h: Hurdle, f: Forecast): string {
  if (h.id === 'acid' && f.ph) return `pH ${f.ph.high.toFixed(2)} at most`;
  if (h.id === 'water' && f.waterActivity !== null) return `a_w ${f.waterActivity.toFixed(2)}, calculated`;
  return h.level === 'chilled in time' ? 'planned' : h.level;
}

/** Every hurdle as a level against its limit, and which of them carry it. */
export function HurdleLevels({ forecast: f, criticalPh }: { forecast: Forecast; criticalPh: number }) {
  return (
    <table className="mt-2 w-full text-sm">
      <caption className="sr-only">What could preserve it</caption>
      <thead className="sr-only">
        <tr>
          <th>Hurdle</th>
          <th>Level against limit</th>
          <th>Forecast</th>
          <th>Required, and whether it is met</th>
        </tr>
      </thead>
      <tbody>
        {f.hurdles.map((h) => (
          <tr key={h.id} className="border-b border-steel-line align-middle">
            <th
              scope="row"
              className={`py-1.5 pr-2 text-left whitespace-nowrap ${h.carries ? 'font-bold' : 'font-normal text-ink-2'}`}
            >
              {h.name}
            </th>
            <td className="py-1.5">
              <Level hurdle={h} f={f} criticalPh={criticalPh} />
            </td>
            <td className="py-1.5 pl-2">
              <span className="figure block">{levelWords(h, f)}</span>
              <span className="block text-xs text-ink-2">required: {h.limit}</span>
            </td>
            <td className="py-1.5 text-right font-semibold whitespace-nowrap text-go">
              {h.carries ? '● met' : ''}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
