import { type Kitchen, KitchenChange, kitchenRoutes, type Workshop } from '@inch/contract/kitchen/kitchen';
import { priceShown, weightShown, weightSign } from '@inch/core/quantity';
import { call } from '../data/api.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Tick } from '../ui/Tick.tsx';
import { WhenField } from '../ui/WhenField.tsx';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** What one minor unit is of a currency: 0.01 of a pound, 1 of a yen. */
const minorUnit = (currency: string): number => Number(priceShown(1, currency));

const answersOf = (w: Workshop, currency: string) => ({
  burners: String(w.burners),
  hands: String(w.hands),
  cannerHolds: String(w.cannerHolds),
  cannerLoads: String(w.cannerLoads),
  kwh: String(w.kwhMinor * minorUnit(currency)),
  handsHour: priceShown(w.handsHourMinor, currency),
  freezer: String(weightShown(w.freezerGrams, 'heavy')),
  days: w.hours.map((d) => ({ open: d !== null, from: d?.from ?? '08:00', to: d?.to ?? '18:00' })),
});

/** The field at which a fault of what is sent is shown. */
const FIELDS = { kwhMinor: 'kwh', handsHourMinor: 'handsHour', freezerGrams: 'freezer' } as const;
type FieldName = keyof ReturnType<typeof answersOf>;

const fieldAt = (path: string): FieldName | `days.${number}.${'from' | 'to'}` => {
  const hour = /^workshop\.hours\.(\d+)(?:\.(from|to))?$/.exec(path);
  if (hour) return `days.${Number(hour[1])}.${hour[2] === 'from' ? 'from' : 'to'}`;
  const name = path.replace(/^workshop\./, '').split('.')[0]!;
  return name in FIELDS ? FIELDS[name as keyof typeof FIELDS] : (name as FieldName);
};

function useWorkshop(kitchen: Kitchen) {
  const { currency } = kitchen;
  return useDeedForm({
    of: 'kitchen',
    draft: `workshop ${kitchen.revision}`,
    empty: answersOf(kitchen.workshop, currency),
    hasId: false,
    schema: KitchenChange,
    fieldAt,
    read: (a, fields) => {
      const whole = (name: 'burners' | 'hands' | 'cannerHolds' | 'cannerLoads') =>
        fields.figure(name, { unit: '', whole: true, min: 1 }) ?? Number.NaN;
      const kwh = fields.figure('kwh', { unit: '', min: 0 });
      const kilos = fields.figure('freezer', { unit: 'kg', kitchens: true, min: 0 });
      return {
        revision: kitchen.revision,
        workshop: {
          burners: whole('burners'),
          hands: whole('hands'),
          cannerHolds: whole('cannerHolds'),
          cannerLoads: whole('cannerLoads'),
          kwhMinor: Math.round(((kwh ?? Number.NaN) / minorUnit(currency)) * 1000) / 1000,
          handsHourMinor: fields.price('handsHour', currency) ?? Number.NaN,
          freezerGrams: (kilos ?? Number.NaN) * 1000,
          hours: a.days.map((d) => (d.open ? { from: d.from, to: d.to } : null)),
        },
      };
    },
    write: (body) => call(kitchenRoutes.change, { body }),
    done: 'Saved',
  });
}
type WorkshopFields = ReturnType<typeof useWorkshop>;

/** Working hours of each day of the week. */
function WorkingDays({ form }: { form: WorkshopFields }) {
  return (
    <ul className="col-span-full">
      {DAYS.map((day, i) => (
        <li key={day} className="flex flex-wrap items-center gap-3 border-b border-steel-line py-1.5">
          <Tick className="min-h-6 w-36" {...form.register(`days.${i}.open`)}>
            {day}
          </Tick>
          <WhenField
            kind="clock"
            label={`${day} from`}
            labelHidden
            className="w-24"
            {...form.when(`days.${i}.from`)}
          />
          to
          <WhenField
            kind="clock"
            label={`${day} to`}
            labelHidden
            className="w-24"
            {...form.when(`days.${i}.to`)}
          />
        </li>
      ))}
    </ul>
  );
}

/** What a day's work is planned with: burners, people, canner, hours; and what an hour and a kWh cost. */
export function WorkshopForm({ kitchen, owner }: { kitchen: Kitchen; owner: boolean }) {
  const { currency } = kitchen;
  const form = useWorkshop(kitchen);
  return (
    <Ruled title="Working hours and equipment" className="mt-8">
      <form onSubmit={form.submit}>
        <fieldset disabled={!owner} className="grid grid-cols-4 items-end gap-4 py-4 max-sm:grid-cols-2">
          <DraftNote form={form} />
          <Field label="Burners" figure inputMode="numeric" {...form.field('burners')} />
          <Field label="People working at once" figure inputMode="numeric" {...form.field('hands')} />
          <Field label="Jars per canner load" figure inputMode="numeric" {...form.field('cannerHolds')} />
          <Field
            label="Canner loads that hot jars may wait for"
            figure
            inputMode="numeric"
            {...form.field('cannerLoads')}
          />
          <Field label={`Price per kWh, ${currency}`} figure inputMode="decimal" {...form.field('kwh')} />
          <Field
            label={`Labour cost per hour, ${currency}`}
            figure
            inputMode="decimal"
            {...form.field('handsHour')}
          />
          <Field
            label={`Freezer space, ${weightSign('heavy')}`}
            figure
            inputMode="decimal"
            {...form.field('freezer')}
          />
          <WorkingDays form={form} />
          {owner && (
            <Button type="submit" tone="plain" disabled={form.busy} className="justify-self-start">
              Save
            </Button>
          )}
        </fieldset>
      </form>
    </Ruled>
  );
}
