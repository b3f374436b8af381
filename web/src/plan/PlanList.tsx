import { NewPlan, type Plan, planRoutes } from '@inch/contract/kitchen/plan';
import { plural } from '@inch/core/quantity';
import { Link, useNavigate } from 'react-router';
import { call } from '../data/api.ts';
import { useKitchenDay, usePlanning } from '../data/planning.ts';
import { usePlans } from '../data/plans.ts';
import { useMayWrite } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Fruit, State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { WhenField } from '../ui/WhenField.tsx';
import { PlanNav } from './PlanNav.tsx';

function NewPlanForm() {
  const navigate = useNavigate();
  const today = useKitchenDay();
  const form = useDeedForm({
    of: 'plan',
    draft: 'plan',
    empty: { name: '', due: '' },
    schema: NewPlan,
    read: (a) => ({ content: { name: a.name, due: a.due || null, items: [], steps: [] } }),
    fieldAt: (path) => (path === 'content.due' ? 'due' : 'name'),
    write: (body) => call(planRoutes.create, { body }),
    after: ({ id }) => navigate(`/plan/${id}`),
  });
  return (
    <form className="grid gap-4 py-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Field label="Name" placeholder="the fair on the 19th" {...form.field('name')} />
      <WhenField
        kind="day"
        label="Ready by"
        min={today}
        {...form.when('due')}
        hint="Without a date it is scheduled as early as possible."
      />
      <Button type="submit" disabled={form.busy}>
        Begin a plan
      </Button>
    </form>
  );
}

function standing(plan: Plan): { tone: 'go' | 'hold' | 'plain'; words: string } {
  const parts = plan.items.flatMap((i) => i.parts);
  const begun = parts.filter((p) => p.lot).length;
  if (plan.done) return { tone: 'plain', words: 'finished' };
  if (parts.length === 0) return { tone: 'hold', words: 'nothing in it yet' };
  if (begun === parts.length) return { tone: 'go', words: 'all begun' };
  if (begun > 0) return { tone: 'go', words: `${begun} of ${plural(parts.length, 'lot')} begun` };
  return plan.steps.length > 0
    ? { tone: 'go', words: 'scheduled' }
    : { tone: 'hold', words: 'not scheduled yet' };
}

function PlanRow({ plan }: { plan: Plan }) {
  const planning = usePlanning();
  const { tone, words } = standing(plan);
  const formulas = plan.items.flatMap((i) => planning?.formulas.find((f) => f.id === i.formulaId) ?? []);
  return (
    <li>
      <Link
        to={`/plan/${plan.id}`}
        className="grid grid-cols-[1fr_11rem_11rem] items-center gap-x-4 border-b border-steel-line py-3.5 hover:bg-enamel-cool max-md:grid-cols-1 max-md:gap-y-1"
      >
        <span className="min-w-0">
          <span className="block truncate text-lg font-semibold">{plan.name}</span>
          <span className="flex flex-wrap gap-x-4 text-sm text-ink-2">
            {formulas.map((f, i) => (
              <span key={`${f.id} ${i}`} className="inline-flex items-center gap-1.5">
                <Fruit colour={f.colour} size={11} /> {f.name}
              </span>
            ))}
          </span>
        </span>
        <span className="figure">{plan.due ? dayMonthYear(plan.due) : 'as early as possible'}</span>
        <State tone={tone}>{words}</State>
      </Link>
    </li>
  );
}

/** Plans: what is to be made for which day. */
export function PlanList() {
  const { data, error, refetch } = usePlans();
  const mayWrite = useMayWrite();
  if (!data) return <Unread title="Plan" error={error} retry={refetch} />;
  return (
    <Sheet
      asideLabel="Begin a plan"
      aside={
        mayWrite && (
          <Ruled title="Begin a plan">
            <NewPlanForm />
          </Ruled>
        )
      }
    >
      <PlanNav />
      <h1>Plan</h1>
      <p className="mt-1 text-ink-2">
        From bottles wanted, or fruit in hand, to a day’s work: amounts, packs to buy, hours that do not
        clash.
      </p>
      {data.length === 0 ? (
        <Empty title="No plan yet">
          Give it a name and a date. Then add products: by bottles wanted, by the fruit on the table, by what
          is in stock.
        </Empty>
      ) : (
        <ul className="mt-4 border-t border-ink">
          {data.map((plan) => (
            <PlanRow key={plan.id} plan={plan} />
          ))}
        </ul>
      )}
    </Sheet>
  );
}
