import type { FormulaHead } from '@inch/contract/making/formula';
import { lotRoutes, NewLot } from '@inch/contract/making/lot';
import { type FormulaContent, forecast } from '@inch/core/formula';
import { kitchenCatalogue } from '@inch/core/ingredient';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { useFormulas } from '../data/formulas.ts';
import { send } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useSetting } from '../data/useSetting.ts';
import { useRounds } from '../data/vessels.ts';
import { Button } from '../ui/Button.tsx';
import { fromLocalInput, localInput } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Bars } from '../ui/Unread.tsx';
import { WhenField } from '../ui/WhenField.tsx';

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

/** What of the batch has to be done in several rounds, told before it is begun. */
function InRounds({ formula, scale }: { formula: FormulaHead | undefined; scale: string }) {
  const setting = useSetting();
  const content = (formula?.content ?? NOTHING) as unknown as FormulaContent;
  const made = useMemo(() => {
    const catalogue = content.own ? kitchenCatalogue(content.own) : setting.catalogue;
    return forecast(content, { ...setting, catalogue });
  }, [content, setting]);
  const times = Number(scale.replace(',', '.'));
  const rounds = useRounds(content, made, times > 0 ? times : 1);
  return (
    <ul className="grid gap-1 text-sm">
      {content.steps.flatMap((step) => {
        const said = rounds.get(step.id);
        return said
          ? [
              <li key={step.id} className="border-l-4 border-rim py-0.5 pl-3">
                {step.title}: {said}
              </li>,
            ]
          : [];
      })}
    </ul>
  );
}

const NOTHING = { lines: [], steps: [], storage: 'cold', bottleMl: 250 } as const;

function StartLotForm({ formulas, chosen }: { formulas: readonly FormulaHead[]; chosen: string }) {
  const form = useStartLot(chosen);
  return (
    <form className="grid gap-4 py-4" onSubmit={form.submit}>
      <Choice
        label="Of which formula"
        {...form.field('formulaId')}
        options={formulas.map((f) => [f.id, `${f.name}, version ${f.version}`])}
      />
      <Field
        label="How many times the formula"
        figure
        inputMode="decimal"
        {...form.field('scale')}
        hint="1 makes it as written; 2 doubles every line."
      />
      <InRounds formula={formulas.find((f) => f.id === form.values.formulaId)} scale={form.values.scale} />
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

/** The form that starts a lot of a formula of the kitchen. */
export function StartLot() {
  const formulas = useFormulas().data?.filter((f) => !f.archived);
  const [params] = useSearchParams();
  if (!formulas) return <Bars rows={4} />;
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
