import { type Plan, PlanChange, planRoutes } from '@inch/contract/kitchen/plan';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { call } from '../data/api.ts';
import { type Planning, usePlanning, usePlanningFault } from '../data/planning.ts';
import { useMayWrite } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { buttonLook } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { Menu } from '../ui/Menu.tsx';
import { PartsNav } from '../ui/PartsNav.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { Unread } from '../ui/Unread.tsx';
import { WhenField } from '../ui/WhenField.tsx';
import { Amounts } from './Amounts.tsx';
import { Cost } from './Cost.tsx';
import { Hours } from './Hours.tsx';
import { changeOf, useChangePlan, usePlan } from './usePlan.ts';

function ChangeHead({ plan, onClose }: { plan: Plan; onClose: () => void }) {
  const form = useDeedForm({
    of: 'plan',
    draft: `plan ${plan.id}`,
    empty: { name: plan.name, due: plan.due ?? '' },
    hasId: false,
    schema: PlanChange,
    read: (a) => changeOf(plan, { name: a.name, due: a.due || null }),
    fieldAt: (path) => (path === 'content.due' ? 'due' : 'name'),
    write: (body) => call(planRoutes.change, { params: { id: plan.id }, body }),
    after: onClose,
  });
  return (
    <Dialog open onClose={onClose} title="Name and day">
      <form className="grid gap-4" onSubmit={form.submit}>
        <DraftNote form={form} />
        <Field label="Name" {...form.field('name')} />
        <WhenField kind="day" label="Ready by" {...form.when('due')} />
        <FormEnd onCancel={onClose} disabled={form.busy} />
      </form>
    </Dialog>
  );
}

const SHOWN: Record<string, (props: { plan: Plan; planning: Planning }) => React.ReactNode> = {
  amounts: Amounts,
  hours: Hours,
  cost: Cost,
};

/** One plan: what it takes, when it is done, what it costs. */
export function PlanPage() {
  const { id = '', part = 'amounts' } = useParams();
  const { data: plan, error, refetch } = usePlan(id);
  const planning = usePlanning();
  const fault = usePlanningFault();
  const mayWrite = useMayWrite();
  const [changing, setChanging] = useState(false);
  if (!plan || !planning) return <Unread {...(error && !plan ? { error, retry: refetch } : fault)} />;
  const Part = SHOWN[part] ?? Amounts;
  return (
    <Sheet>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <Link to="/plan" className="text-link underline">
          Plans
        </Link>
        <h1>{plan.name}</h1>
        <p className="flex-1 text-ink-2">
          {plan.due ? `ready by ${dayMonthYear(plan.due)}` : 'as early as possible'}
          {plan.done && ', finished'}
        </p>
        <Link to={`/plan/buy?plan=${plan.id}`} className={buttonLook({ tone: 'plain', size: 'small' })}>
          What to buy
        </Link>
        {mayWrite && <HeadMenu plan={plan} change={() => setChanging(true)} />}
      </div>
      <div className="mt-3">
        <PartsNav
          label="Parts of this plan"
          parts={[
            [`/plan/${id}`, 'Amounts'],
            [`/plan/${id}/hours`, 'Hours'],
            [`/plan/${id}/cost`, 'Cost'],
          ]}
        />
      </div>
      <Part plan={plan} planning={planning} />
      {changing && <ChangeHead plan={plan} onClose={() => setChanging(false)} />}
    </Sheet>
  );
}

function HeadMenu({ plan, change }: { plan: Plan; change: () => void }) {
  const write = useChangePlan(plan);
  return (
    <Menu
      label="More for this plan"
      actions={[
        { name: 'Change name or day', act: change },
        {
          name: plan.done ? 'Reopen the plan' : 'Finish the plan',
          act: () => write.run({ done: !plan.done }),
          apart: true,
        },
      ]}
    >
      more…
    </Menu>
  );
}
