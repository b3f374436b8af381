import type { LotView } from '@inch/contract/making/lot';
import { weight } from '@inch/core/quantity';
import { useState } from 'react';
import { useCatalogue } from '../data/catalogue.ts';
import { useRecord } from '../data/record.ts';
import { CoverOpen } from '../parts/stock/CoverOpen.tsx';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';

type Addition = LotView['additions'][number];

function Origin({ lot, addition, open }: { lot: LotView; addition: Addition; open: number }) {
  const name = useCatalogue().get(addition.ingredientId).name;
  const [words, setWords] = useState('');
  const write = useRecord('origin', lot);
  return (
    <li className="flex flex-wrap items-end gap-4 border-b border-steel-line py-3">
      <span className="min-w-40 flex-1 pb-2">
        <span className="font-semibold">{name}</span>{' '}
        <span className="figure text-sm text-ink-2">{weight(open)}</span>
      </span>
      <CoverOpen name={name} thing={addition.ingredientId} additionId={addition.id} open={open} />
      <form
        className="flex items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          write.run({ additionId: addition.id, words });
        }}
      >
        <Field
          label="Where did it come from"
          aria-label={`${name}, from where`}
          value={words}
          onChange={(e) => setWords(e.target.value)}
          error={write.fields.words}
        />
        <Button type="submit" tone="plain" disabled={write.busy || words.trim().length < 2}>
          Save
        </Button>
      </form>
    </li>
  );
}

/** What nobody said the origin of: a stock lot afterwards, or a place in words. */
export function Origins({ lot }: { lot: LotView }) {
  const catalogue = useCatalogue();
  const waiting = lot.additions.flatMap((a) => {
    if (a.struck !== null || a.grams === 0 || a.from || catalogue.get(a.ingredientId).family === 'water')
      return [];
    const open = (a.beforeTrimming ?? a.grams) - a.withdrawals.reduce((sum, d) => sum + d.amount, 0);
    return open > (a.beforeTrimming ?? a.grams) * 0.02 + 0.5 ? [{ a, open }] : [];
  });
  if (waiting.length === 0) return null;
  return (
    <Ruled title="Where did it come from?" className="mt-6">
      <ul>
        {waiting.map(({ a, open }) => (
          <Origin key={a.id} lot={lot} addition={a} open={open} />
        ))}
      </ul>
    </Ruled>
  );
}
