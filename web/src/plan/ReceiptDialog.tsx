import { type Basket, stockRoutes } from '@inch/contract/stock';
import { priceShown } from '@inch/core/quantity';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { call, newId } from '../data/api.ts';
import { useIds } from '../data/ids.ts';
import type { Planning } from '../data/planning.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Field } from '../ui/Field.tsx';
import { priceIn, priceProblem } from '../ui/typed.ts';
import { amountTyped } from './amount.ts';
import { type ReceiptLine, receiptFromCsv } from './receipt.ts';

const fromBasket = (basket: Basket, names: ReadonlyMap<string, string>, currency: string): ReceiptLine[] =>
  basket.map((item) => ({
    key: item.thing,
    kind: item.kind,
    thing: item.thing,
    name: names.get(item.thing) ?? item.thing,
    amount: item.kind === 'ingredient' ? `${Math.round(item.amount)} g` : String(Math.round(item.amount)),
    paid: item.paidMinor == null ? '' : priceShown(item.paidMinor, currency),
    bestBy: '',
    words: item.said,
  }));

function LineRow({
  line,
  error,
  set,
  drop,
}: {
  line: ReceiptLine;
  error: string | undefined;
  set: (part: Partial<ReceiptLine>) => void;
  drop: () => void;
}) {
  const { kitchen } = useSession();
  return (
    <li className="grid grid-cols-2 gap-x-3 gap-y-2 border-b border-steel-line py-3 sm:grid-cols-[1fr_7rem_6rem_9.500rem_auto] sm:items-end">
      <span className="col-span-2 leading-tight font-semibold sm:col-span-1 sm:pb-2">
        {line.name}
        {line.words && <span className="block text-sm font-normal text-ink-2">{line.words}</span>}
        {error && <span className="block text-sm text-stop">{error}</span>}
        {priceProblem(line.paid, kitchen.currency) && (
          <span className="block text-sm text-stop">{priceProblem(line.paid, kitchen.currency)}</span>
        )}
      </span>
      <Field
        label="How much"
        aria-label={`${line.name}, how much`}
        figure
        value={line.amount}
        onChange={(e) => set({ amount: e.target.value })}
      />
      <Field
        label={`Paid, ${kitchen.currency}`}
        aria-label={`${line.name}, paid`}
        figure
        inputMode="decimal"
        value={line.paid}
        onChange={(e) => set({ paid: e.target.value })}
      />
      <Field
        label="Best by"
        aria-label={`${line.name}, best by`}
        type="date"
        value={line.bestBy}
        onChange={(e) => set({ bestBy: e.target.value })}
      />
      <Button tone="quiet" size="small" className="mb-1" onClick={drop} aria-label={`Remove ${line.name}`}>
        remove
      </Button>
    </li>
  );
}

/** A receipt turned into stock lots in one go: what was ticked off, what else was bought, or a file of the shop's. */
export function ReceiptDialog({
  planning,
  basket,
  names,
  onClose,
}: {
  planning: Planning;
  basket: Basket;
  names: ReadonlyMap<string, string>;
  onClose: () => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const ids = useIds();
  const [lines, setLines] = useState(() => fromBasket(basket, names, planning.kitchen.currency));
  const [supplier, setSupplier] = useState('');
  const [gotOn, setGotOn] = useState(planning.today);
  const [problem, setProblem] = useState<string | null>(null);
  const amounts = lines.map((l) => amountTyped(l.amount, l, planning.catalogue, planning.kitchen.cupSchool));
  const write = useWrite(
    'stock',
    () =>
      call(stockRoutes.receive, {
        body: {
          id: ids.of('receipt'),
          supplier,
          gotOn,
          lines: lines.map((l, i) => ({
            id: ids.of(l.key),
            kind: l.kind,
            thing: l.thing,
            said: l.amount,
            amount: amounts[i] as number,
            paidMinor: priceIn(l.paid, planning.kitchen.currency),
            bestBy: l.bestBy || null,
            words: l.words,
          })),
        },
      }),
    {
      after: ({ stock }) => {
        toast.success(`Added to stock: ${stock.map((s) => s.code).join(', ')}`, {
          description: 'Write the codes on the bags.',
        });
        onClose();
      },
    },
  );
  const open = async (chosen: File) => {
    try {
      setLines([...lines, ...receiptFromCsv(await chosen.text(), planning)]);
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const add = (thing: string) =>
    setLines([
      ...lines,
      {
        key: newId(),
        kind: 'ingredient',
        thing,
        name: planning.catalogue.find(thing)?.name ?? thing,
        amount: '',
        paid: '',
        bestBy: '',
        words: '',
      },
    ]);
  const ready =
    lines.every((l) => priceProblem(l.paid, planning.kitchen.currency) === undefined) &&
    lines.length > 0 &&
    amounts.every((a) => typeof a === 'number' && a > 0);
  return (
    <Dialog open onClose={onClose} title="Receipt" wide>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          write.run(undefined);
        }}
      >
        <div className="grid grid-cols-2 gap-4">
          <Field label="Bought at" value={supplier} onChange={(e) => setSupplier(e.target.value)} />
          <Field
            label="On"
            type="date"
            max={planning.today}
            value={gotOn}
            onChange={(e) => setGotOn(e.target.value)}
            error={write.fields.gotOn}
          />
        </div>
        <ul className="mt-4 border-t border-ink">
          {lines.map((line, i) => (
            <LineRow
              key={line.key}
              line={line}
              error={
                line.amount !== '' && typeof amounts[i] === 'string'
                  ? (amounts[i] as string)
                  : write.fields[`lines.${i}`]
              }
              set={(part) => setLines(lines.map((l) => (l === line ? { ...l, ...part } : l)))}
              drop={() => setLines(lines.filter((l) => l !== line))}
            />
          ))}
        </ul>
        {lines.length === 0 && (
          <p className="py-3 text-ink-2">Nothing is ticked off. Add what else was bought.</p>
        )}
        {problem && (
          <p role="alert" className="mt-2 font-semibold text-stop">
            {problem}
          </p>
        )}
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <div className="w-64 rounded-lg border border-steel">
            <IngredientPicker label="Add another item" value="" onChoose={add} />
          </div>
          <Button tone="quiet" onClick={() => file.current?.click()}>
            from a CSV file…
          </Button>
          <input
            ref={file}
            type="file"
            accept=".csv,text/csv"
            aria-label="A receipt as CSV"
            className="sr-only"
            tabIndex={-1}
            onChange={(e) => {
              const chosen = e.target.files?.[0];
              if (chosen) void open(chosen);
              e.target.value = '';
            }}
          />
        </div>
        <div className="mt-5 flex justify-end gap-3">
          <Button tone="plain" onClick={onClose}>
            Cancel
          </Button>
          <Button type="submit" disabled={write.busy || !ready}>
            Save receipt
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
