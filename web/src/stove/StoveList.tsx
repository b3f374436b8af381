import type { FormulaHead } from '@inch/contract/formula';
import { lotRoutes, NewLot } from '@inch/contract/lot';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { useLotsOnHand } from '../data/lots.ts';
import { useFormulas } from '../data/queries.ts';
import { send } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useMayWrite } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button, buttonLook } from '../ui/Button.tsx';
import { dayAndTime, fromLocalInput, localInput } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Fruit } from '../ui/State.tsx';
import { Bars, ReadFault } from '../ui/Unread.tsx';
import { WhenField } from '../ui/WhenField.tsx';

/** The form that starts a lot; a time within two minutes is now. */
function useStartLot(formulaId: string) {
  const navigate = useNavigate();
  const [opened] = useState(() => localInput(new Date().toISOString()));
  return useDeedForm({
    of: 'entry',
    draft: `lot ${formulaId}`,
    empty: { formulaId, scale: '1', at: opened },
    schema: NewLot,
    read: (a, fields) => {
      const at = fromLocalInput(a.at);
      const justNow = at !== undefined && Math.abs(Date.parse(at) - Date.now()) < 120_000;
      return {
        formulaId: a.formulaId,
        scale: fields.figure('scale', { unit: '' }) ?? Number.NaN,
        ...(at && !justNow && a.at !== opened ? { at } : {}),
      };
    },
    write: (body) =>
      send(lotRoutes.begin, { of: 'entry', code: 'Lot', words: 'Begun', body: { at: serverNow(), ...body } }),
    after: (outcome) => {
      if (outcome.sent) navigate(`/stove/${outcome.answer.code}`);
    },
  });
}

function StartLotForm({ formulas, chosen }: { formulas: readonly FormulaHead[]; chosen: string }) {
  const form = useStartLot(chosen);
  return (
    <form className="grid gap-4 py-4" onSubmit={form.submit}>
      <Choice label="Of which formula" {...form.field('formulaId')}>
        {formulas.map((f) => (
          <option key={f.id} value={f.id}>
            {f.name}, version {f.version}
          </option>
        ))}
      </Choice>
      <Field
        label="How many times the formula"
        figure
        inputMode="decimal"
        {...form.field('scale')}
        hint="1 makes it as written; 2 doubles every line."
      />
      <WhenField
        kind="moment"
        label="Begun"
        {...form.when('at')}
        hint="Now, or when it was, if you write it down later."
      />
      <Button type="submit" disabled={form.busy}>
        Start the lot
      </Button>
    </form>
  );
}

function StartLot() {
  const formulas = useFormulas().data?.filter((f) => !f.archived);
  const [params] = useSearchParams();
  if (!formulas) return null;
  const chosen = params.get('formula') ?? formulas[0]?.id;
  if (chosen === undefined)
    return (
      <p className="py-4">
        There is no formula yet.{' '}
        <Link className="text-link underline" to="/formulas/new">
          Write one first
        </Link>
        .
      </p>
    );
  return <StartLotForm key={chosen} formulas={formulas} chosen={chosen} />;
}

/** The lots on the stove, and the way to start another. */
export function StoveList() {
  const { data, error, refetch } = useLotsOnHand();
  const mayWrite = useMayWrite();
  const making = data?.lots.filter((lot) => lot.state === 'making' || lot.state === 'planned') ?? [];
  return (
    <Sheet
      asideLabel="Start a lot"
      aside={
        mayWrite ? (
          <Ruled title="Start a lot">
            <StartLot />
          </Ruled>
        ) : undefined
      }
    >
      <h1>Stove</h1>
      {!data && (error ? <ReadFault error={error} retry={refetch} /> : <Bars rows={3} />)}
      {data && making.length === 0 && (
        <Empty title="Nothing is on the stove">
          Start a lot from a formula: its steps become the run sheet, and what you measure becomes the record.
        </Empty>
      )}
      <ul className="mt-4 border-t border-ink empty:hidden">
        {making.map((lot) => (
          <li key={lot.id} className="flex items-center gap-4 border-b border-steel-line py-4">
            <Fruit colour={lot.colour} size={20} />
            <span className="figure w-16 text-xl font-bold">{lot.code}</span>
            <span className="min-w-0 flex-1">
              <span className="block text-lg font-semibold">{lot.name}</span>
              <span className="block text-ink-2">
                {lot.step} · begun {dayAndTime(lot.begunAt)}
              </span>
            </span>
            <Link to={`/stove/${lot.code}`} className={buttonLook({})} aria-label={`Open lot ${lot.code}`}>
              {' '}
              Open{' '}
            </Link>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
