import { NewCount, type StockView, stockRoutes } from '@inch/contract/kitchen/stock';
import { plural } from '@inch/core/quantity';
import { useRef } from 'react';
import { toast } from 'sonner';
import { z } from 'zod';
import { useCatalogue } from '../data/catalogue.ts';
import { send } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field } from '../ui/Field.tsx';
import { amountSaid, amountTyped } from './amount.ts';

const Counts = z.object({
  counts: z.array(NewCount.extend({ stockId: z.string() })).min(1, 'Count at least one stock lot.'),
});

/** Writes counts one after another; the first that is refused stops it and says which, and is where the next try goes on. */
function useRecordCounts(stock: readonly StockView[]) {
  const written = useRef(new Set<string>());
  return async ({ counts }: z.output<typeof Counts>): Promise<number> => {
    for (const { stockId, ...body } of counts) {
      if (written.current.has(body.id)) continue;
      const code = stock.find((s) => s.id === stockId)?.code ?? '';
      await send(stockRoutes.count, {
        of: 'stock',
        code,
        words: 'Counted',
        params: { id: stockId },
        body: { at: serverNow(), ...body },
      }).catch((error: Error) => {
        throw new Error(`${code}: ${error.message}`);
      });
      written.current.add(body.id);
    }
    return counts.length;
  };
}

/** What was counted of each stock lot, by its id; what is left empty stays as it is. */
function useStocktake(stock: readonly StockView[], onDone: () => void) {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const record = useRecordCounts(stock);
  return useDeedForm({
    of: 'stock',
    draft: 'stocktake',
    empty: { why: 'stocktake', found: {} as Record<string, string> },
    hasId: false,
    schema: Counts,
    read: (a, fields) => ({
      counts: stock.flatMap((s) => {
        const text = (a.found[s.id] ?? '').trim();
        if (text === '') return [];
        const found = fields.taken(`found.${s.id}`, amountTyped(text, s, catalogue, kitchen.cupSchool));
        return [{ id: fields.idOf(`${s.id} ${found}`), stockId: s.id, found, why: a.why || null }];
      }),
    }),
    fieldAt: (path) => (path.endsWith('why') ? 'why' : undefined),
    write: record,
    after: (n) => {
      toast.success(`${plural(n, 'count')} recorded`);
      onDone();
    },
  });
}
type StocktakeForm = ReturnType<typeof useStocktake>;

function CountRow({ form, stock: s }: { form: StocktakeForm; stock: StockView }) {
  return (
    <li className="grid grid-cols-[3.5rem_1fr_6rem_8rem] items-center gap-x-4 border-b border-steel-line py-1">
      <span className="figure font-bold">{s.code}</span>
      <span className="min-w-0 truncate">
        {s.name} <span className="text-ink-2">{s.words}</span>
      </span>
      <span className="figure text-right text-ink-2">{amountSaid(s.kind, s.left)}</span>
      <Field
        label={`${s.code} ${s.name}, counted`}
        labelHidden
        figure
        className="text-right"
        {...form.field(`found.${s.id}`)}
      />
    </li>
  );
}

/** Counting all there is in one round: what is typed is recorded, what is left empty stays as it is. */
export function Stocktake({ stock, onDone }: { stock: readonly StockView[]; onDone: () => void }) {
  const form = useStocktake(stock, onDone);
  const filled = Object.values(form.values.found).filter((text) => (text ?? '').trim() !== '').length;
  const error = form.error('counts' as never);
  return (
    <form className="mt-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <ul className="border-t border-ink">
        {stock.map((s) => (
          <CountRow key={s.id} form={form} stock={s} />
        ))}
      </ul>
      {error && (
        <p role="alert" className="mt-2 font-semibold text-stop">
          {error}
        </p>
      )}
      <div className="mt-4 flex flex-wrap items-end justify-end gap-3">
        <Field className="w-64" label="Reason for a difference" {...form.field('why')} />
        <Button tone="plain" onClick={onDone}>
          Cancel
        </Button>
        <Button type="submit" disabled={form.busy}>
          Record {plural(filled, 'count')}
        </Button>
      </div>
    </form>
  );
}
