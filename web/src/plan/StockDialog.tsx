import { type StockLot, stockRoutes } from '@inch/contract/stock';
import { inWords } from '@inch/core/quantity';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { dayAndTime, dayMonthYear } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { money } from '../ui/format.ts';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { amountSaid, amountTyped } from './amount.ts';

type Deed = 'count' | 'wasted' | 'spoiled' | 'divide';

const DEEDS: [Deed, string][] = [
  ['count', 'Count: set the amount that is there'],
  ['wasted', 'Record waste'],
  ['spoiled', 'Record spoilage'],
  ['divide', 'Divide: move part into the freezer'],
];

const WORDS: Record<StockLot['takings'][number]['kind'], string> = {
  used: 'into lot',
  filled: 'filled, lot',
  printed: 'printed, lot',
  divided: 'put apart as',
  wasted: 'thrown away',
  spoiled: 'spoiled',
  counted: 'counted',
};

/** The frozen form of a thing where the catalogue has one, else the thing itself. */
function frozenOf(thing: string, catalogue: ReturnType<typeof useCatalogue>): string {
  return catalogue.all.find((e) => e.formOf === thing && e.frozen)?.id ?? thing;
}

function DeedForm({ stock, onDone }: { stock: StockLot; onDone: () => void }) {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const [deed, setDeed] = useState<Deed>('count');
  const [text, setText] = useState('');
  const [why, setWhy] = useState('');
  const [bestBy, setBestBy] = useState('');
  const amount = amountTyped(text, stock, catalogue, kitchen.cupSchool);
  const params = { id: stock.id };
  const write = useWrite(
    'stock',
    async (_: undefined, idOf) => {
      const id = idOf(`${deed} ${amount} ${why}`);
      if (deed === 'count')
        return call(stockRoutes.count, { params, body: { id, found: amount as number, why: why || null } });
      if (deed === 'divide')
        return call(stockRoutes.divide, {
          params,
          body: {
            id,
            stockId: idOf(`to the freezer ${amount}`),
            thing: frozenOf(stock.thing, catalogue),
            amount: amount as number,
            words: why,
            bestBy: bestBy || null,
          },
        });
      return call(stockRoutes.lose, { params, body: { id, kind: deed, amount: amount as number, why } });
    },
    { after: onDone },
  );
  return (
    <form
      className="grid grid-cols-2 gap-3 pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        write.run(undefined);
      }}
    >
      <Choice label="Action" value={deed} onChange={(e) => setDeed(e.target.value as Deed)}>
        {DEEDS.filter(([d]) => d !== 'divide' || stock.kind === 'ingredient').map(([d, says]) => (
          <option key={d} value={d}>
            {says}
          </option>
        ))}
      </Choice>
      <Field
        label={deed === 'count' ? 'Counted' : 'How much'}
        figure
        placeholder={stock.kind === 'ingredient' ? '1.2 kg' : '12'}
        value={text}
        onChange={(e) => setText(e.target.value)}
        error={
          text !== '' && typeof amount === 'string' ? amount : (write.fields.found ?? write.fields.amount)
        }
      />
      <Field
        label={deed === 'divide' ? 'Note' : 'Reason'}
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        error={write.fields.why}
      />
      {deed === 'divide' && (
        <Field label="Best by" type="date" value={bestBy} onChange={(e) => setBestBy(e.target.value)} />
      )}
      <Button
        type="submit"
        className="self-end"
        disabled={write.busy || typeof amount === 'string' || text === ''}
      >
        Record
      </Button>
    </form>
  );
}

function Facts({ stock }: { stock: StockLot }) {
  const { kitchen } = useSession();
  const measured = stock.measured && [
    stock.measured.brix !== null && `${stock.measured.brix} °Bx`,
    stock.measured.ph !== null && `pH ${stock.measured.ph}`,
    stock.measured.taPer100g !== null && `${stock.measured.taPer100g} g acid in 100 g`,
  ];
  const facts: [string, string | null | false][] = [
    ['Received', `${dayMonthYear(stock.gotOn)}${stock.supplier ? `, ${stock.supplier}` : ''}`],
    ['Amount received', `${stock.said || amountSaid(stock.kind, stock.quantity)}`],
    ['Paid', stock.costMinor !== null && money(stock.costMinor, kitchen.currency)],
    ['Best by', stock.bestBy && dayMonthYear(stock.bestBy)],
    ['Measured', measured?.filter(Boolean).join(', ') ?? null],
    ['Allergens', stock.allergens.length > 0 && stock.allergens.map(inWords).join(', ')],
    ['Divided from', stock.dividedFrom],
  ];
  return (
    <dl className="grid grid-cols-[8rem_1fr] gap-y-1">
      {facts.map(([name, value]) =>
        value ? (
          <div key={name} className="contents">
            <dt className="text-ink-2">{name}</dt>
            <dd>{value}</dd>
          </div>
        ) : null,
      )}
      {stock.leftBy && (
        <>
          <dt className="text-ink-2">By-product of</dt>
          <dd>
            <Link className="text-link underline" to={`/records/${stock.leftBy.code}`}>
              {stock.leftBy.code} {stock.leftBy.name}
            </Link>
            , {stock.leftBy.state}
          </dd>
        </>
      )}
    </dl>
  );
}

/** One stock lot: where it came from, where it went, and what is to be recorded of it. */
export function StockDialog({ stock, onClose }: { stock: StockLot; onClose: () => void }) {
  const mayWrite = useMayWrite();
  return (
    <Dialog open onClose={onClose} title={`${stock.code} ${stock.name}`}>
      {stock.words && <p className="-mt-3 mb-3 text-ink-2">{stock.words}</p>}
      <p className="mb-3 text-lg">
        <strong className="figure">{amountSaid(stock.kind, stock.left)}</strong> left
        {stock.whyUnfit && (
          <span className="ml-4">
            <State tone="hold">not used: {stock.whyUnfit}</State>
          </span>
        )}
      </p>
      <Facts stock={stock} />
      <Ruled title="Where it went" className="mt-5">
        {stock.takings.length === 0 && <p className="py-2 text-ink-2">All of it is still here.</p>}
        <ul>
          {stock.takings.map((t) => (
            <li
              key={t.id}
              className={`grid grid-cols-[7.5rem_1fr_6rem] gap-3 border-b border-steel-line py-1.5 text-sm ${t.struck ? 'text-ink-2 line-through' : ''}`}
            >
              <span className="figure">{dayAndTime(t.at)}</span>
              <span>
                {WORDS[t.kind]}{' '}
                {t.into &&
                  (t.kind === 'divided' ? (
                    <span className="figure">{t.into}</span>
                  ) : (
                    <Link className="figure text-link underline" to={`/records/${t.into}`}>
                      {t.into}
                    </Link>
                  ))}
                {t.why && <span className="text-ink-2"> {t.why}</span>}
              </span>
              <span className="figure text-right font-bold">
                {t.amount < 0 ? '+' : ''}
                {amountSaid(stock.kind, Math.abs(t.amount))}
              </span>
            </li>
          ))}
        </ul>
      </Ruled>
      {mayWrite && (
        <Ruled title="Record" className="mt-5">
          <DeedForm stock={stock} onDone={onClose} />
        </Ruled>
      )}
    </Dialog>
  );
}
