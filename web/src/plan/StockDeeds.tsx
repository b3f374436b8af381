import { NewCount, NewDivision, NewLoss, type StockView, stockRoutes } from '@inch/contract/kitchen/stock';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import { useState } from 'react';
import { useCatalogue } from '../data/catalogue.ts';
import { send } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { WhenField } from '../ui/WhenField.tsx';
import { amountExample, amountTyped } from './amount.ts';

type Deed = 'count' | 'wasted' | 'spoiled' | 'divide';

const DEEDS: [Deed, string][] = [
  ['count', 'Count: set the amount that is there'],
  ['wasted', 'Record waste'],
  ['spoiled', 'Record spoilage'],
  ['divide', 'Divide: move part into the freezer'],
];

/** The frozen form of a thing where the catalogue has one, else the thing itself. */
const frozenOf = (thing: string, catalogue: KitchenCatalogue): string =>
  catalogue.all.find((e) => e.formOf === thing && e.frozen)?.id ?? thing;

interface DeedProps {
  stock: StockView;
  onDone: () => void;
}

/** Reads an amount of a stock lot, in any measure. */
function useAmountOf(stock: StockView) {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  return (text: string) => amountTyped(text, stock, catalogue, kitchen.cupSchool);
}

function CountForm({ stock, onDone }: DeedProps) {
  const amountOf = useAmountOf(stock);
  const form = useDeedForm({
    of: 'stock',
    draft: `count ${stock.id}`,
    empty: { amount: '', why: '' },
    schema: NewCount,
    read: (a, fields) => ({ found: fields.taken('amount', amountOf(a.amount)), why: a.why || null }),
    fieldAt: (path) => (path === 'found' ? 'amount' : undefined),
    write: (body) =>
      send(stockRoutes.count, {
        of: 'stock',
        code: stock.code,
        words: 'Counted',
        params: { id: stock.id },
        body: { at: serverNow(), ...body },
      }),
    after: onDone,
  });
  return (
    <form className="grid grid-cols-2 gap-3" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Field label="Counted" figure placeholder={amountExample(stock.kind)} {...form.field('amount')} />
      <Field label="Reason" {...form.field('why')} />
      <RecordButton busy={form.busy} />
    </form>
  );
}

function LossForm({ stock, kind, onDone }: DeedProps & { kind: 'wasted' | 'spoiled' }) {
  const amountOf = useAmountOf(stock);
  const form = useDeedForm({
    of: 'stock',
    draft: `${kind} ${stock.id}`,
    empty: { amount: '', why: '' },
    schema: NewLoss,
    read: (a, fields) => ({ kind, amount: fields.taken('amount', amountOf(a.amount)), why: a.why }),
    write: (body) =>
      send(stockRoutes.lose, {
        of: 'stock',
        code: stock.code,
        words: kind,
        params: { id: stock.id },
        body: { at: serverNow(), ...body },
      }),
    after: onDone,
  });
  return (
    <form className="grid grid-cols-2 gap-3" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Field label="How much" figure placeholder={amountExample(stock.kind)} {...form.field('amount')} />
      <Field label="Reason" {...form.field('why')} />
      <RecordButton busy={form.busy} />
    </form>
  );
}

function DivisionForm({ stock, onDone }: DeedProps) {
  const amountOf = useAmountOf(stock);
  const catalogue = useCatalogue();
  const form = useDeedForm({
    of: 'stock',
    draft: `divide ${stock.id}`,
    empty: { amount: '', words: '', bestBy: '' },
    schema: NewDivision,
    read: (a, fields) => ({
      stockId: fields.idOf('stock'),
      thing: frozenOf(stock.thing, catalogue),
      amount: fields.taken('amount', amountOf(a.amount)),
      words: a.words,
      bestBy: a.bestBy || null,
    }),
    write: (body) =>
      send(stockRoutes.divide, {
        of: 'stock',
        code: stock.code,
        words: 'Divided',
        params: { id: stock.id },
        body: { at: serverNow(), ...body },
      }),
    after: onDone,
  });
  return (
    <form className="grid grid-cols-2 gap-3" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Field label="How much" figure placeholder={amountExample('ingredient')} {...form.field('amount')} />
      <Field label="Note" {...form.field('words')} />
      <WhenField kind="day" label="Best by" {...form.when('bestBy')} />
      <RecordButton busy={form.busy} />
    </form>
  );
}

const RecordButton = ({ busy }: { busy: boolean }) => (
  <Button type="submit" className="col-span-full justify-self-end" disabled={busy}>
    Record
  </Button>
);

/** What is recorded of a stock lot: counted, lost, or a part of it moved into the freezer. */
export function StockDeeds({ stock, onDone }: DeedProps) {
  const [deed, setDeed] = useState<Deed>('count');
  return (
    <div className="grid gap-3 pt-3">
      <Choice
        label="Action"
        value={deed}
        onChange={(e) => setDeed(e.target.value as Deed)}
        options={DEEDS.filter(([d]) => d !== 'divide' || stock.kind === 'ingredient').map(([d, says]) => [
          d,
          says,
        ])}
      />
      {deed === 'count' && <CountForm stock={stock} onDone={onDone} />}
      {(deed === 'wasted' || deed === 'spoiled') && (
        <LossForm key={deed} stock={stock} kind={deed} onDone={onDone} />
      )}
      {deed === 'divide' && <DivisionForm stock={stock} onDone={onDone} />}
    </div>
  );
}
