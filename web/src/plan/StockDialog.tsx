import { type StockView, StruckTaking, stockRoutes } from '@inch/contract/kitchen/stock';
import { tagRoutes } from '@inch/contract/route/tag';
import { inWords, money } from '@inch/core/quantity';
import { useState } from 'react';
import { Link } from 'react-router';
import { urlOf } from '../data/address.ts';
import { call } from '../data/api.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useStockHistory } from '../data/stock.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { HeldNotice, HoldButton } from '../parts/trace/HoldSource.tsx';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { dayAndTime, dayMonthYear } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { Bars, ReadFault } from '../ui/Unread.tsx';
import { amountSaid } from './amount.ts';
import { StockDeeds } from './StockDeeds.tsx';

const WORDS: Record<StockView['takings'][number]['kind'], string> = {
  used: 'into lot',
  filled: 'filled, lot',
  printed: 'printed, lot',
  divided: 'put apart as',
  wasted: 'thrown away',
  spoiled: 'spoiled',
  counted: 'counted',
};

function Facts({ stock }: { stock: StockView }) {
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
    ['Supplier’s batch', stock.batch],
    ['Best by', stock.bestBy && dayMonthYear(stock.bestBy)],
    ['Measured', measured?.filter(Boolean).join(', ') ?? null],
    ['Allergens', stock.allergens.length > 0 && stock.allergens.map(inWords).join(', ')],
    ['Divided from', stock.dividedFrom],
    ['Imported from', stock.broughtIn],
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

/** What is undone by itself; the rest goes with the entry of a lot that took it. */
const BY_ITSELF: ReadonlySet<string> = new Set(['counted', 'wasted', 'spoiled']);

function UndoTaking({ stock, taking, named }: { stock: StockView; taking: { id: string }; named: string }) {
  const [open, setOpen] = useState(false);
  const form = useDeedForm({
    of: 'stock',
    draft: `undo ${taking.id}`,
    empty: { why: '' },
    schema: StruckTaking,
    read: (a) => ({ takingId: taking.id, why: a.why }),
    write: (body) => call(stockRoutes.strike, { params: { id: stock.id }, body }),
    done: 'Undone: it stays in the history, crossed out',
    after: () => setOpen(false),
  });
  if (!open)
    return (
      <Button size="small" tone="quiet" aria-label={`Undo ${named}`} onClick={() => setOpen(true)}>
        undo
      </Button>
    );
  return (
    <form className="mt-1 flex items-start gap-2" onSubmit={form.submit}>
      <Field label="Why it is undone" {...form.field('why')} />
      <Button type="submit" tone="stop" size="small" className="mt-6" disabled={form.busy}>
        Undo
      </Button>
    </form>
  );
}

/** Everything that ever went of a stock lot, read when it is opened. */
function History({ stock }: { stock: StockView }) {
  const { data, error, refetch } = useStockHistory(stock.id);
  const mayWrite = useMayWrite();
  if (!data) return error ? <ReadFault error={error} retry={refetch} /> : <Bars rows={3} />;
  return (
    <>
      {data.takings.length === 0 && <p className="py-2 text-ink-2">All of it is still here.</p>}
      <ul>
        {data.takings.map((t) => (
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
              {t.undone && (
                <span className="inline-block text-ink">
                  {' '}
                  undone by {t.undone.by}: {t.undone.why}
                </span>
              )}
              {mayWrite && !t.struck && BY_ITSELF.has(t.kind) && (
                <UndoTaking stock={stock} taking={t} named={`${WORDS[t.kind]} of ${dayAndTime(t.at)}`} />
              )}
            </span>
            <span className="figure text-right font-bold">
              {t.amount < 0 ? '+' : ''}
              {amountSaid(stock.kind, Math.abs(t.amount))}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** One stock lot: where it came from, where it went, and what is to be recorded of it. */
export function StockDialog({ stock, onClose }: { stock: StockView; onClose: () => void }) {
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
      <HeldNotice noun="stock" subjectId={stock.id} />
      <Facts stock={stock} />
      <a
        className="mt-3 inline-block text-link underline"
        href={urlOf(tagRoutes.print.path, {}, { of: 'stock', code: stock.code })}
        target="_blank"
        rel="noopener noreferrer"
      >
        Tag with its code
      </a>{' '}
      <HoldButton noun="stock" subjectId={stock.id} name={`${stock.code} ${stock.name}`} />
      <Ruled title="Where it went" className="mt-5">
        <History stock={stock} />
      </Ruled>
      {mayWrite && (
        <Ruled title="Record" className="mt-5">
          <StockDeeds stock={stock} onDone={onClose} />
        </Ruled>
      )}
    </Dialog>
  );
}
