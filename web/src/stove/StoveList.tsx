import { lotRoutes } from '@inch/contract/lot';
import { useForm } from 'react-hook-form';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { call } from '../data/api.ts';
import { useLots } from '../data/lots.ts';
import { useFormulas } from '../data/queries.ts';
import { useMayWrite } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button, buttonLook } from '../ui/Button.tsx';
import { dayAndTime, fromLocalInput, localInput } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Fruit } from '../ui/State.tsx';
import { figureIn } from '../ui/typed.ts';

function StartLot() {
  const formulas = useFormulas().data?.filter((f) => !f.archived);
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const { register, handleSubmit } = useForm({
    values: {
      formulaId: params.get('formula') ?? formulas?.[0]?.id ?? '',
      scale: '1',
      at: localInput(new Date().toISOString()),
    },
  });
  const write = useWrite(
    'entry',
    (v: { formulaId: string; scale: string; at: string }, idOf) => {
      const at = fromLocalInput(v.at);
      const justNow = at !== undefined && Math.abs(Date.parse(at) - Date.now()) < 120_000;
      return call(lotRoutes.begin, {
        body: {
          id: idOf(),
          formulaId: v.formulaId,
          scale: figureIn(v.scale) ?? Number.NaN,
          ...(at && !justNow ? { at } : {}),
        },
      });
    },
    { after: ({ code }) => navigate(`/stove/${code}`) },
  );
  if (formulas?.length === 0)
    return (
      <p className="py-4">
        There is no formula yet.{' '}
        <Link className="text-link underline" to="/formulas/new">
          Write one first
        </Link>
        .
      </p>
    );
  return (
    <form className="grid gap-4 py-4" onSubmit={handleSubmit((v) => write.run(v))}>
      <Choice label="Of which formula" {...register('formulaId')} error={write.fields.formulaId}>
        {formulas?.map((f) => (
          <option key={f.id} value={f.id}>
            {f.name}, version {f.version}
          </option>
        ))}
      </Choice>
      <Field
        label="How many times the formula"
        figure
        inputMode="decimal"
        {...register('scale')}
        error={write.fields.scale}
        hint="1 makes it as written; 2 doubles every line."
      />
      <Field
        label="Begun"
        type="datetime-local"
        {...register('at')}
        error={write.fields.at}
        hint="Now, or when it was, if you write it down later."
      />
      <Button type="submit" disabled={write.busy}>
        Start the lot
      </Button>
    </form>
  );
}

/** The lots on the stove, and the way to start another. */
export function StoveList() {
  const { data } = useLots();
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
