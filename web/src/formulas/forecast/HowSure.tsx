import type { FormulaContent, Simulation } from '@inch/core/formula';
import { grouped, volume } from '@inch/core/quantity';
import { Distribution } from './Distribution.tsx';

const inTen = (chance: number): string => {
  if (chance > 0.9995) return 'over 99.9 %';
  if (chance < 0.0005) return 'under 0.1 %';
  return `${(chance * 100).toFixed(chance > 0.99 || chance < 0.01 ? 1 : 0)} %`;
};

function Chance({ words, chance }: { words: string; chance: number | null }) {
  if (chance === null) return null;
  return (
    <div className="flex items-center gap-3 border-b border-steel-line py-1.5">
      <dt className="flex-1 text-sm">{words}</dt>
      <dd className="flex items-center gap-2">
        <span aria-hidden="true" className="h-2 w-20 overflow-hidden rounded-full bg-steel-line">
          <span className="block h-full bg-rim" style={{ width: `${chance * 100}%` }} />
        </span>
        <span className="figure w-24 text-right text-sm font-bold whitespace-nowrap">{inTen(chance)}</span>
      </dd>
    </div>
  );
}

/** How far each figure may be off, and how often each limit is passed, over 4,000 makings. */
export function HowSure({
  simulation: s,
  content,
  criticalPh,
  colour,
}: {
  simulation: Simulation | null;
  content: FormulaContent;
  criticalPh: number;
  colour: string;
}) {
  if (!s) return <p className="py-4 text-ink-2">Calculating…</p>;
  const { targets } = content;
  return (
    <div className="mt-3">
      {s.ph ? (
        <>
          <h3 className="text-sm font-semibold text-ink-2">pH</h3>
          <Distribution
            spread={s.ph}
            colour={colour}
            digits={2}
            limit={{ at: criticalPh, words: `limit ${criticalPh}` }}
            name="pH"
          />
        </>
      ) : (
        <p className="py-2 text-sm font-semibold text-hold">
          No pH is forecast: the acidity of something in it is not known.
        </p>
      )}
      <h3 className="mt-2 text-sm font-semibold text-ink-2">Sugar, °Bx</h3>
      <Distribution
        spread={s.brix}
        colour={colour}
        digits={1}
        limit={targets?.brix ? { at: targets.brix, words: `wanted ${targets.brix}`, aim: true } : undefined}
        name="Sugar"
      />
      <dl className="mt-2 border-t border-ink">
        <Chance words={`pH at or under the limit of ${criticalPh}`} chance={s.chances.phUnderLimit} />
        {targets?.ph !== undefined && (
          <Chance words={`pH at or under ${targets.ph}, as wanted`} chance={s.chances.phUnderTarget} />
        )}
        {targets?.brix !== undefined && (
          <Chance words={`at least ${targets.brix} °Bx, as wanted`} chance={s.chances.brixOverTarget} />
        )}
        <Chance words="a_w at or under 0.85, calculated: no hurdle" chance={s.chances.waterUnder085} />
        {s.chances.bottles.map(({ count, chance }) => (
          <Chance
            key={count}
            words={`at least ${count} bottles of ${volume(content.bottleMl)}`}
            chance={chance}
          />
        ))}
      </dl>
      <p className="mt-3 text-sm text-ink-2">
        {s.waterActivity &&
          `${s.abv ? `Alcohol ${s.abv.low.toFixed(1)} to ${s.abv.high.toFixed(1)} % ABV. ` : ''}a_w ${s.waterActivity.low.toFixed(3)} to ${s.waterActivity.high.toFixed(3)}, calculated: information only. `}
        {grouped(s.scenarios)} simulated batches, over the published ranges of each fruit, your own ranges and
        measures, what straining and boiling leave open, and the model’s own error.
        {s.redrawn > 0.05 * s.scenarios &&
          ` ${grouped(s.redrawn)} simulated fruits were discarded, as no juice has such figures: measure yours.`}
      </p>
    </div>
  );
}
