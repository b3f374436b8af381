import { type StockLot, stockRoutes } from '@inch/contract/stock';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { plural } from '../ui/format.ts';
import { amountSaid, amountTyped } from './amount.ts';

interface Counted {
  stock: StockLot;
  found: number;
}

/** Records counts one after another; the first that is refused stops it, and says which. */
async function record(
  counts: readonly Counted[],
  why: string,
  idOf: (thing: string) => string,
): Promise<number> {
  for (const { stock, found } of counts)
    await call(stockRoutes.count, {
      params: { id: stock.id },
      body: { id: idOf(`${stock.id} ${found}`), found, why: why || null },
    }).catch((error: Error) => {
      throw new Error(`${stock.code}: ${error.message}`);
    });
  return counts.length;
}

/** Counting all there is in one round: what is typed is recorded, what is left empty stays as it is thought. */
export function Stocktake({ stock, onDone }: { stock: readonly StockLot[]; onDone: () => void }) {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [why, setWhy] = useState('stocktake');
  const read = (s: StockLot) => amountTyped(typed[s.id] ?? '', s, catalogue, kitchen.cupSchool);
  const filled = stock.filter((s) => (typed[s.id] ?? '').trim() !== '');
  const counts = filled.flatMap((s) => {
    const found = read(s);
    return typeof found === 'number' ? [{ stock: s, found }] : [];
  });
  const write = useWrite('stock', (_: undefined, idOf) => record(counts, why, idOf), {
    after: (n) => {
      toast.success(`${plural(n, 'count')} recorded`);
      onDone();
    },
  });
  return (
    <form
      className="mt-4"
      onSubmit={(event) => {
        event.preventDefault();
        write.run(undefined);
      }}
    >
      <ul className="border-t border-ink">
        {stock.map((s) => {
          const found = read(s);
          const wrong = (typed[s.id] ?? '') !== '' && typeof found === 'string' ? found : null;
          return (
            <li
              key={s.id}
              className="grid grid-cols-[3.5rem_1fr_6rem_8rem] items-center gap-x-4 border-b border-steel-line py-1"
            >
              <span className="figure font-bold">{s.code}</span>
              <span className="min-w-0">
                <span className="block truncate">
                  {s.name} <span className="text-ink-2">{s.words}</span>
                </span>
                {wrong && <span className="block text-sm font-semibold text-stop">{wrong}</span>}
              </span>
              <span className="figure text-right text-ink-2">{amountSaid(s.kind, s.left)}</span>
              <input
                aria-label={`${s.code} ${s.name}, counted`}
                value={typed[s.id] ?? ''}
                onChange={(e) => setTyped({ ...typed, [s.id]: e.target.value })}
                className="figure min-h-10 w-full rounded-lg border border-steel bg-enamel px-2 text-right"
              />
            </li>
          );
        })}
      </ul>
      <div className="mt-4 flex flex-wrap items-center justify-end gap-3">
        <label className="flex items-center gap-2 text-sm text-ink-2">
          Why it may be another
          <input
            value={why}
            onChange={(e) => setWhy(e.target.value)}
            className="min-h-10 rounded-lg border border-steel bg-enamel px-2 text-ink"
          />
        </label>
        <Button tone="plain" onClick={onDone}>
          Cancel
        </Button>
        <Button type="submit" disabled={write.busy || counts.length === 0 || counts.length < filled.length}>
          Record {plural(counts.length, 'count')}
        </Button>
      </div>
    </form>
  );
}
