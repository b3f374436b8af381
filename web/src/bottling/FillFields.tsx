import type { Container } from '@inch/contract/making/container';
import { thermalShock } from '@inch/core/bottling';
import { sterilisingMinutes } from '@inch/core/heat';
import { degrees, degreesApart, limitOfHeat, readFigure } from '@inch/core/quantity';
import { useInstruments } from '../data/instruments.ts';
import { useSession } from '../data/session.tsx';
import { AT_HINT } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Tick } from '../ui/Tick.tsx';
import { WhenField } from '../ui/WhenField.tsx';
import { checksOf, type Filling } from './useFilling.ts';

/** Says what a cold glass would do, before anything hot is poured. */
function Shock({ glass, fill }: { glass: string; fill: string }) {
  const [g, f] = [glass, fill].map((text) => readFigure(text, { unit: 'C' }).value ?? null) as [
    number | null,
    number | null,
  ];
  if (g === null || f === null || !(g >= -20 && g <= 120 && f >= -20 && f <= 120)) return null;
  const { differenceCelsius, limitCelsius, over } = thermalShock(g, f);
  return (
    <p className={`col-span-full text-sm font-semibold ${over ? 'text-stop' : 'text-go'}`} role="status">
      {over ? '■ ' : '● '}
      {degreesApart(differenceCelsius)} between glass and syrup;{' '}
      {over
        ? `over ${degreesApart(limitCelsius)} it may crack. Warm the glass first: filled so, it opens a deviation.`
        : `glass stands ${degreesApart(limitCelsius)}.`}
    </p>
  );
}

const WORDS: Record<string, string> = {
  'boiling-water': 'the boiling-water bath',
  'hot-fill': 'hot filling',
};

/** Whether the bottles that are counted are made for heat, where the lot is for the shelf. */
export function Rating({ sizes, shelf }: { sizes: readonly Container[]; shelf: boolean }) {
  if (!shelf) return null;
  const unfit = sizes.filter((c) => c.rated.length === 0);
  return (
    <p className={`text-sm ${unfit.length > 0 ? 'font-semibold text-hold' : 'text-ink-2'}`}>
      {unfit.length > 0
        ? `${unfit.map((c) => c.name).join(', ')}: not made for any heat process, so not for the shelf.`
        : sizes.map((c) => `${c.name}: made for ${c.rated.map((r) => WORDS[r]).join(' and ')}.`).join(' ')}
    </p>
  );
}

function Temperatures({ form }: { form: Filling }) {
  const field = (name: 'fillCelsius' | 'middleCelsius' | 'lastCelsius' | 'glassCelsius', label: string) => (
    <Field label={label} figure inputMode="decimal" {...form.field(name)} />
  );
  const { closing, glassCelsius, fillCelsius } = form.values;
  return (
    <>
      {field('fillCelsius', `${closing === 'hot' ? 'First bottle' : 'Filled at'}, ${degrees()}`)}
      {field('middleCelsius', `A middle one, ${degrees()}`)}
      {field('lastCelsius', `Last bottle, ${degrees()}`)}
      <Field
        label={`Glass before, ${degrees()}`}
        figure
        inputMode="decimal"
        hint="Heat it in water or the dishwasher. A dry oven heats it unevenly, and it may crack as it is filled."
        {...form.field('glassCelsius')}
      />
      <Field
        label="Headspace, in"
        figure
        placeholder="1/2"
        hint="Empty means the jar’s own. A heat process asks for its own."
        {...form.field('headspaceInches')}
      />
      <Shock glass={glassCelsius} fill={fillCelsius} />
    </>
  );
}

function Boiled({ form }: { form: Filling }) {
  const { kitchen } = useSession();
  const { error: _, ...field } = form.field('sterile');
  return (
    <Tick {...field}>
      Glass boiled for {sterilisingMinutes(kitchen.elevationMetres)} min before it was filled: a process of
      under 10 min asks for it
    </Tick>
  );
}

/** The thermometer that the bottles were read with: a hot fill counts only by one that was checked. */
function Thermometer({ form }: { form: Filling }) {
  const { data = [] } = useInstruments();
  const thermometers = data.filter((i) => i.kind === 'thermometer' && !i.retired);
  const chosen = thermometers.find((i) => i.id === form.values.instrumentId);
  return (
    <Choice
      label="Read with"
      className="col-span-2"
      hint={
        chosen?.counts === false
          ? `It is not checked: ${chosen.whyNot}. A hot fill read with it does not count.`
          : 'A hot fill counts only by a thermometer that was checked.'
      }
      {...form.field('instrumentId')}
      options={[['', 'no thermometer named'], ...thermometers.map((i) => [i.id, i.name] as const)]}
    />
  );
}

export function Checks({ form, sizes }: { form: Filling; sizes: readonly Container[] }) {
  return (
    <fieldset className="grid gap-1.5">
      <legend className="mb-1 text-sm font-semibold text-ink-2">Looked at</legend>
      {checksOf(sizes).map(([key, says]) => {
        const { error: _, ...field } = form.field(key);
        return (
          <Tick key={key} {...field}>
            {says}
          </Tick>
        );
      })}
      <Boiled form={form} />
    </fieldset>
  );
}

export function Closing({ form }: { form: Filling }) {
  const cooled = form.values.closing === 'cooled';
  return (
    <div className="grid grid-cols-4 gap-4 max-sm:grid-cols-2">
      <Choice
        label="Closed"
        className="col-span-2"
        hint={cooled ? 'Cooled open, then closed: kept cold, with its cooling clock.' : 'Hot and tight.'}
        {...form.field('closing')}
        options={[
          ['hot', 'hot'],
          ['cooled', 'cooled open'],
        ]}
      />
      <Field
        className="col-span-2"
        label="Place"
        hint="Cellar, cold room, shelf 2."
        {...form.field('place')}
      />
      <Temperatures form={form} />
      <Thermometer form={form} />
      {cooled && (
        <>
          <Field
            className="col-span-2"
            label={`Hours until at ${limitOfHeat(21)}`}
            figure
            inputMode="decimal"
            hint="Empty while it still cools: its clock runs under Cool."
            {...form.field('hoursTo21')}
          />
          <Field
            className="col-span-2"
            label={`Hours until at ${limitOfHeat(5)}`}
            figure
            inputMode="decimal"
            {...form.field('hoursToCold')}
          />
        </>
      )}
      <WhenField kind="moment" className="col-span-2" label="Filled at" hint={AT_HINT} {...form.when('at')} />
    </div>
  );
}
