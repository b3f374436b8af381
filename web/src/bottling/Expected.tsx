import type { LotView } from '@inch/contract/making/lot';
import { lotBottles } from '@inch/core/lot';
import { grouped, volume, volumeShown } from '@inch/core/quantity';
import { usePast } from '../data/plans.ts';
import { serverNow } from '../data/serverClock.ts';
import { useSetting } from '../data/useSetting.ts';
import { Ruled } from '../ui/Sheet.tsx';
import { expectation } from './expecting.ts';

interface Mark {
  ml: number;
  says: string;
  how: string;
}

/** Millilitres along a rule: what was promised, what the pan held, what is in bottles. */
function MlRule({ marks, filled, colour }: { marks: readonly Mark[]; filled: number; colour: string }) {
  const top = Math.max(...marks.map((m) => m.ml), filled, 1) * 1.06;
  // Marks at round figures of the kitchen's own measure.
  const each = top / volumeShown(top);
  const nice =
    each *
    ([2, 5, 10, 20, 25, 50, 100, 200, 250, 500, 1000, 2000, 2500, 5000].find((s) => top / each / s <= 14) ??
      10_000);
  const x = (ml: number) => 12 + (ml / top) * 616;
  const ticks = Array.from({ length: Math.floor(top / nice) + 1 }, (_, i) => i * nice);
  return (
    <svg
      viewBox="0 0 640 74"
      className="w-full max-w-3xl"
      role="img"
      aria-label={`${volume(filled, 0)} in bottles; ${marks.map((m) => `${m.says} ${volume(m.ml, 0)}`).join('; ')}`}
    >
      <rect x={12} y={22} width={Math.max(0, x(filled) - 12)} height={22} fill={colour} className="level" />
      <path d="M12 44H628" stroke="var(--ink-2)" strokeWidth="1.5" />
      {ticks.map((ml, i) => (
        <g key={ml} className={i % 3 === 0 ? '' : 'max-sm:hidden'}>
          <path d={`M${x(ml)} 44v8`} stroke="var(--ink-2)" strokeWidth="1.2" />
          <text
            x={x(ml)}
            y={66}
            textAnchor={i === 0 ? 'start' : 'middle'}
            className="figure text-[12px] max-sm:text-[22px]"
            fill="var(--ink-2)"
          >
            {grouped(ml / each)}
          </text>
        </g>
      ))}
      {marks.map((m, i) => (
        <g key={m.says}>
          <path
            d={`M${x(m.ml)} ${8 + i * 2}V44`}
            stroke="var(--rim)"
            strokeWidth="2.2"
            strokeDasharray={i === 0 ? '' : '4 3'}
          />
          <circle cx={x(m.ml)} cy={8 + i * 2} r="3.4" fill="var(--rim)" />
        </g>
      ))}
    </svg>
  );
}

/** What was promised beside what there is. */
export function Expected({ lot }: { lot: LotView }) {
  const setting = useSetting();
  const past = usePast().data ?? [];
  const { promised, past: before, inPan } = expectation(lot, setting, past, serverNow());
  const { millilitres } = lotBottles(lot);
  const marks: Mark[] = [
    ...(promised ? [{ ml: promised, says: 'The formula', how: 'forecast' }] : []),
    ...(before ? [{ ml: before.ml, says: 'Past lots', how: before.sentence }] : []),
    ...(inPan ? [{ ml: inPan.ml, says: 'In the pan', how: inPan.how }] : []),
  ];
  if (marks.length === 0) return null;
  const bottle = lot.product.content.bottleMl;
  return (
    <Ruled title="Expected and filled">
      <div className="pt-3">
        <MlRule marks={marks} filled={millilitres} colour={lot.product.colour} />
      </div>
      <dl className="mt-1 grid grid-cols-[repeat(auto-fit,minmax(8.75rem,1fr))] gap-x-4 gap-y-2 pb-2">
        {marks.map((m) => (
          <div key={m.says}>
            <dt className="text-sm font-semibold text-ink-2">{m.says}</dt>
            <dd>
              <span className="figure text-lg font-bold">{volume(m.ml, 0)}</span>
              <span className="figure block">
                {Math.floor(m.ml / bottle)} × {volume(bottle)}
              </span>
              <span className="block text-sm text-ink-2">{m.how}</span>
            </dd>
          </div>
        ))}
        <div>
          <dt className="text-sm font-semibold text-ink-2">In bottles</dt>
          <dd>
            <span className="figure text-lg font-bold">{volume(millilitres, 0)}</span>
            <span className="figure block">{lot.bottles.filled} filled</span>
            {promised && millilitres > 0 && (
              <span className="block text-sm text-ink-2">
                {Math.round((100 * millilitres) / promised)} % of the forecast
              </span>
            )}
          </dd>
        </div>
      </dl>
    </Ruled>
  );
}
