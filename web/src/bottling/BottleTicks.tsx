import { type LotView, lotRoutes } from '@inch/contract/lot';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useRecord } from '../data/record.ts';
import { useWrite } from '../data/useWrite.ts';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';

type Line = LotView['product']['content']['lines'][number];

/** One tick a bottle for one line: pressed when it is in, struck when it was a slip. */
function LineTicks({ lot, line, open }: { lot: LotView; line: Line; open: boolean }) {
  const catalogue = useCatalogue();
  const write = useRecord('tick', lot);
  const strike = useWrite('entry', (entryId: string) =>
    call(lotRoutes.strike, {
      params: { id: lot.id },
      body: { noun: 'tick', entryId, why: 'a slip in ticking' },
    }),
  );
  const ticks = lot.ticks.filter((t) => t.struck === null && t.lineId === line.id);
  const planned = lot.product.content.targets?.bottles ?? 0;
  const last = Math.max(0, ...ticks.map((t) => t.bottle));
  // Until the bottles are counted there is always one more.
  const next = lot.bottles.filled > 0 ? 0 : last + 1;
  const count = Math.max(lot.bottles.filled, Math.ceil(planned * lot.scale), last, next);
  const name = catalogue.get(line.ingredientId).name;
  const missing = lot.bottles.filled - ticks.filter((t) => t.bottle <= lot.bottles.filled).length;
  return (
    <Ruled
      className="mt-6"
      title={`${name}, ${line.said} in each bottle`}
      aside={
        <State tone={missing > 0 ? 'hold' : lot.bottles.filled > 0 ? 'go' : 'plain'} className="text-sm">
          {ticks.length} ticked{missing > 0 ? `, ${missing} not` : ''}
        </State>
      }
    >
      <div className="flex flex-wrap gap-1.5 py-3">
        {Array.from({ length: Math.min(count, 200) }, (_, i) => i + 1).map((bottle) => {
          const tick = ticks.find((t) => t.bottle === bottle);
          return (
            <button
              key={bottle}
              type="button"
              disabled={!open || write.busy || strike.busy}
              aria-pressed={tick !== undefined}
              aria-label={`Bottle ${bottle}: ${name} ${tick ? 'is in' : 'is not in'}`}
              onClick={() => (tick ? strike.run(tick.id) : write.run({ lineId: line.id, bottle }))}
              className={`figure size-11 rounded-lg border-2 font-bold ${tick ? 'border-go bg-go text-enamel' : 'border-steel bg-enamel text-ink'}`}
            >
              {tick ? '✓' : bottle}
            </button>
          );
        })}
      </div>
    </Ruled>
  );
}

/** What goes in bottle by bottle: right only if none is missed. */
export function BottleTicks({ lot, open }: { lot: LotView; open: boolean }) {
  const lines = lot.product.content.lines.filter((line) => line.basis?.per === 'bottle');
  return lines.map((line) => <LineTicks key={line.id} lot={lot} line={line} open={open} />);
}
