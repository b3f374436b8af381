import { stockRoutes } from '@inch/contract/kitchen/stock';
import { weight } from '@inch/core/quantity';
import { useState } from 'react';
import { call } from '../../data/api.ts';
import { useWrite } from '../../data/useWrite.ts';
import { Button } from '../../ui/Button.tsx';
import { useFit } from './FromStock.tsx';

/** Says afterwards from which stock lot something came that none covers yet. */
export function CoverOpen({
  name,
  thing,
  additionId,
  open,
}: {
  name: string;
  thing: string;
  additionId: string;
  open: number;
}) {
  const { fit } = useFit(thing);
  const [chosen, setChosen] = useState('');
  const stock = fit.find((s) => s.id === chosen);
  const write = useWrite('stock', (_: undefined, idOf) =>
    call(stockRoutes.cover, {
      body: {
        id: idOf(),
        noun: 'addition',
        entryId: additionId,
        stockId: stock!.id,
        amount: Math.min(open, stock!.left),
      },
    }),
  );
  if (fit.length === 0) return null;
  return (
    <span className="flex flex-wrap items-center gap-2">
      <select
        aria-label={`${name}, the stock lot of what is open`}
        value={chosen}
        onChange={(e) => setChosen(e.target.value)}
        className="min-h-10 rounded-lg border border-steel bg-enamel px-2 text-ink"
      >
        <option value="">which stock lot was it?</option>
        {fit.map((s) => (
          <option key={s.id} value={s.id}>
            {s.code}, {weight(s.left)} left
          </option>
        ))}
      </select>
      {stock && (
        <Button size="small" disabled={write.busy} onClick={() => write.run(undefined)}>
          It was {stock.code}
        </Button>
      )}
    </span>
  );
}
