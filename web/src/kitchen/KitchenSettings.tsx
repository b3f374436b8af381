import { type Account, accountRoutes } from '@inch/contract/account';
import { type Kitchen, kitchenRoutes } from '@inch/contract/kitchen';
import { boilingPointOfWater } from '@inch/core/heat';
import { rulePacks } from '@inch/core/label';
import { cupSchools } from '@inch/core/quantity';
import { useForm, useWatch } from 'react-hook-form';
import { call } from '../data/api.ts';
import { useAccounts } from '../data/queries.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Choice, Field, TextField } from '../ui/Field.tsx';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Containers } from './Containers.tsx';
import { WorkshopForm } from './WorkshopForm.tsx';

interface Answers {
  name: string;
  place: string;
  feet: string;
  cupSchool: string;
  rulePack: string;
  localStatement: string;
  criticalPh: string;
  fillTolerancePercent: string;
  currency: string;
  timeZone: string;
}

const answersOf = (k: Kitchen): Answers => ({
  name: k.name,
  place: k.place,
  feet: String(Math.round(k.elevationMetres / 0.3048)),
  cupSchool: k.cupSchool ?? '',
  rulePack: k.rulePack,
  localStatement: k.localStatement,
  criticalPh: String(k.criticalPh),
  fillTolerancePercent: String(k.fillTolerancePercent),
  currency: k.currency,
  timeZone: k.timeZone,
});

function waterBoils(feet: string): string {
  try {
    return `Water boils at ${boilingPointOfWater(Number(feet) * 0.3048).toFixed(1)} °C here.`;
  } catch {
    return 'Between −1,300 and 16,400 ft.';
  }
}

function SettingsForm({ owner }: { owner: boolean }) {
  const { kitchen } = useSession();
  const { register, handleSubmit, control } = useForm<Answers>({ values: answersOf(kitchen) });
  const feet = useWatch({ control, name: 'feet' });
  const write = useWrite(
    'kitchen',
    (a: Answers) =>
      call(kitchenRoutes.change, {
        body: {
          revision: kitchen.revision,
          name: a.name,
          place: a.place,
          elevationMetres: Number(a.feet) * 0.3048,
          cupSchool: (a.cupSchool || null) as Kitchen['cupSchool'],
          rulePack: a.rulePack as Kitchen['rulePack'],
          localStatement: a.localStatement,
          criticalPh: Number(a.criticalPh),
          fillTolerancePercent: Number(a.fillTolerancePercent),
          currency: a.currency,
          timeZone: a.timeZone,
        },
      }),
    { done: 'Saved', tellsErrors: true },
  );
  return (
    <form onSubmit={handleSubmit((a) => write.run(a))}>
      <fieldset disabled={!owner} className="grid grid-cols-2 gap-4 py-4 max-sm:grid-cols-1">
        <Field label="Name" {...register('name')} error={write.fields.name} />
        <Field label="Place, as it stands on a label" {...register('place')} error={write.fields.place} />
        <Field
          label="Height above the sea, in feet"
          figure
          inputMode="numeric"
          {...register('feet')}
          error={write.fields.elevationMetres}
          hint={waterBoils(feet)}
        />
        <Choice
          label="Cups and spoons of which country"
          {...register('cupSchool')}
          error={write.fields.cupSchool}
          hint="Used wherever a line says cup, tablespoon or teaspoon."
        >
          <option value="">not said yet</option>
          {Object.entries(cupSchools).map(([id, school]) => (
            <option key={id} value={id}>
              {school.name}
            </option>
          ))}
        </Choice>
        <Choice label="Label rules" {...register('rulePack')} hint="Your own local rule comes first.">
          {Object.values(rulePacks).map((pack) => (
            <option key={pack.id} value={pack.id}>
              {pack.name}, {pack.source}
            </option>
          ))}
        </Choice>
        <Field
          label="Critical limit of pH"
          figure
          inputMode="decimal"
          {...register('criticalPh')}
          error={write.fields.criticalPh}
          hint="4.2 unless you are stricter; never over 4.6. It holds for lots begun from now on."
        />
        <Field
          label="Unaccounted volume allowed, %"
          figure
          inputMode="decimal"
          {...register('fillTolerancePercent')}
          error={write.fields.fillTolerancePercent}
          hint="Of what was in the pan. Over it, filling asks for a reason. For instance 5."
        />
        <TextField
          className="col-span-full"
          label="Local statement, word for word from your own rule"
          {...register('localStatement')}
          error={write.fields.localStatement}
        />
        <Field label="Currency" {...register('currency')} error={write.fields.currency} />
        <Field label="Time zone" {...register('timeZone')} error={write.fields.timeZone} />
        {write.error && Object.keys(write.fields).length === 0 && (
          <p role="alert" className="col-span-full font-semibold text-stop">
            {write.error.message}
          </p>
        )}
        {owner && (
          <Button type="submit" disabled={write.busy} className="justify-self-start">
            Save
          </Button>
        )}
      </fieldset>
    </form>
  );
}

function People() {
  const { data } = useAccounts();
  const { register, handleSubmit, reset } = useForm({
    defaultValues: { name: '', role: 'maker', password: '' },
  });
  const write = useWrite(
    'kitchen',
    (v: { name: string; role: string; password: string }, idOf) =>
      call(accountRoutes.add, {
        body: { id: idOf(), name: v.name, role: v.role as Account['role'], password: v.password },
      }),
    { after: () => reset() },
  );
  return (
    <Ruled title="People">
      <ul>
        {data?.map((a) => (
          <li key={a.id} className="flex justify-between border-b border-steel-line py-2">
            <span className="font-semibold">{a.name}</span>
            <span className="text-ink-2">{a.role}</span>
          </li>
        ))}
      </ul>
      <form className="grid gap-3 py-4" onSubmit={handleSubmit((v) => write.run(v))}>
        <Field label="Name of the person" {...register('name')} error={write.fields.name} />
        <Choice label="Role" {...register('role')} hint="A maker makes and releases; a reader only looks.">
          <option value="maker">maker</option>
          <option value="reader">reader</option>
          <option value="owner">owner</option>
        </Choice>
        <Field
          label="First password"
          type="password"
          autoComplete="new-password"
          {...register('password')}
          error={write.fields.password}
        />
        <Button type="submit" tone="plain" disabled={write.busy}>
          Add person
        </Button>
      </form>
    </Ruled>
  );
}

/** The kitchen: where it lies, which cups it means, which rules it labels by, and who works in it. */
export function KitchenSettings() {
  const { account, kitchen } = useSession();
  const owner = account.role === 'owner';
  return (
    <Sheet {...(owner ? { aside: <People />, asideLabel: 'People' } : {})}>
      <h1 className="mb-3">Kitchen</h1>
      <Ruled title="Settings">
        <SettingsForm owner={owner} />
      </Ruled>
      <WorkshopForm kitchen={kitchen} owner={owner} />
      <Containers mayWrite={account.role !== 'reader'} />
    </Sheet>
  );
}
