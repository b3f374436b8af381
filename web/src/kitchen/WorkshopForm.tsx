import { type Kitchen, kitchenRoutes, type Workshop } from '@inch/contract/kitchen';
import { useForm } from 'react-hook-form';
import { call } from '../data/api.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

interface Answers {
  burners: string;
  hands: string;
  cannerHolds: string;
  cannerLoads: string;
  kwh: string;
  handsHour: string;
  freezerKg: string;
  days: { open: boolean; from: string; to: string }[];
}

const answersOf = (w: Workshop): Answers => ({
  burners: String(w.burners),
  hands: String(w.hands),
  cannerHolds: String(w.cannerHolds),
  cannerLoads: String(w.cannerLoads),
  kwh: String(w.kwhMinor / 100),
  handsHour: (w.handsHourMinor / 100).toFixed(2),
  freezerKg: String(w.freezerGrams / 1000),
  days: w.hours.map((d) => ({ open: d !== null, from: d?.from ?? '08:00', to: d?.to ?? '18:00' })),
});

const number = (text: string) => Number(text.trim().replace(',', '.'));

const workshopOf = (a: Answers): Workshop => ({
  burners: number(a.burners),
  hands: number(a.hands),
  cannerHolds: number(a.cannerHolds),
  cannerLoads: number(a.cannerLoads),
  kwhMinor: Math.round(number(a.kwh) * 10_000) / 100,
  handsHourMinor: Math.round(number(a.handsHour) * 100),
  freezerGrams: number(a.freezerKg) * 1000,
  hours: a.days.map((d) => (d.open ? { from: d.from, to: d.to } : null)),
});

/** What a day's work has to go round: burners, hands, canner, hours; and what an hour and a kWh cost. */
export function WorkshopForm({ kitchen, owner }: { kitchen: Kitchen; owner: boolean }) {
  const { currency } = useSession().kitchen;
  const { register, handleSubmit } = useForm<Answers>({ values: answersOf(kitchen.workshop) });
  const write = useWrite(
    'kitchen',
    (a: Answers) =>
      call(kitchenRoutes.change, { body: { revision: kitchen.revision, workshop: workshopOf(a) } }),
    { done: 'Saved' },
  );
  const error = (field: string) => write.fields[`workshop.${field}`];
  return (
    <Ruled title="Working hours and equipment" className="mt-8">
      <form onSubmit={handleSubmit((a) => write.run(a))}>
        <fieldset disabled={!owner} className="grid grid-cols-4 gap-4 py-4 max-sm:grid-cols-2">
          <Field
            label="Burners"
            figure
            inputMode="numeric"
            {...register('burners')}
            error={error('burners')}
          />
          <Field
            label="People working at once"
            figure
            inputMode="numeric"
            {...register('hands')}
            error={error('hands')}
          />
          <Field
            label="Jars per canner load"
            figure
            inputMode="numeric"
            {...register('cannerHolds')}
            error={error('cannerHolds')}
          />
          <Field
            label="Canner loads that hot jars may wait for"
            figure
            inputMode="numeric"
            {...register('cannerLoads')}
            error={error('cannerLoads')}
          />
          <Field
            label={`A kWh, ${currency}`}
            figure
            inputMode="decimal"
            {...register('kwh')}
            error={error('kwhMinor')}
          />
          <Field
            label={`Labour cost per hour, ${currency}`}
            figure
            inputMode="decimal"
            {...register('handsHour')}
            error={error('handsHourMinor')}
          />
          <Field
            label="Freezer space, kg"
            figure
            inputMode="decimal"
            {...register('freezerKg')}
            error={error('freezerGrams')}
          />
          <ul className="col-span-full">
            {DAYS.map((day, i) => (
              <li key={day} className="flex flex-wrap items-center gap-3 border-b border-steel-line py-1.5">
                <label className="flex w-36 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5 accent-[var(--rim)]"
                    {...register(`days.${i}.open`)}
                  />{' '}
                  {day}
                </label>
                <input
                  type="time"
                  aria-label={`${day} from`}
                  className="figure min-h-9 rounded-lg border border-steel bg-enamel px-2"
                  {...register(`days.${i}.from`)}
                />
                to
                <input
                  type="time"
                  aria-label={`${day} to`}
                  className="figure min-h-9 rounded-lg border border-steel bg-enamel px-2"
                  {...register(`days.${i}.to`)}
                />
              </li>
            ))}
          </ul>
          {owner && (
            <Button type="submit" tone="plain" disabled={write.busy} className="justify-self-start">
              Save
            </Button>
          )}
        </fieldset>
      </form>
    </Ruled>
  );
}
