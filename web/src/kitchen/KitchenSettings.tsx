import { type Kitchen, KitchenChange, kitchenRoutes } from '@inch/contract/kitchen/kitchen';
import { boilingPointOfWater } from '@inch/core/heat';
import { HIGHEST_PH, USUAL_CRITICAL_PH } from '@inch/core/keeping';
import { rulePacks } from '@inch/core/label';
import { cupSchools, LOCALES, readElevation, temperature } from '@inch/core/quantity';
import { Link } from 'react-router';
import { call } from '../data/api.ts';
import { base } from '../data/base.ts';
import { useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field, TextField } from '../ui/Field.tsx';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Tick } from '../ui/Tick.tsx';
import { CURRENCIES, timeZonesWith } from '../ui/zones.ts';
import { Backups } from './Backups.tsx';
import { CalendarAddress } from './CalendarAddress.tsx';
import { Containers } from './Containers.tsx';
import { HeatProcesses } from './HeatProcesses.tsx';
import { KitchenLabels } from './KitchenLabels.tsx';
import { OwnAccount } from './OwnAccount.tsx';
import { People } from './People.tsx';
import { BroughtIn, WholeKitchen } from './WholeKitchen.tsx';
import { WorkshopForm } from './WorkshopForm.tsx';

const answersOf = (k: Kitchen) => ({
  name: k.name,
  place: k.place,
  elevation: `${Math.round(k.elevationMetres / 0.3048)} ft`,
  movedHere: false,
  cupSchool: k.cupSchool ?? '',
  rulePack: k.rulePack as string,
  localStatement: k.localStatement,
  criticalPh: String(k.criticalPh),
  fillTolerancePercent: String(k.fillTolerancePercent),
  currency: k.currency,
  timeZone: k.timeZone,
  temperature: k.units.temperature as string,
  weight: k.units.weight as string,
  locale: k.units.locale as string,
  secondPerson: k.secondPerson,
  idleMinutes: k.idleMinutes === null ? '' : String(k.idleMinutes),
});

function waterBoils(elevation: string): string {
  const metres = readElevation(elevation).value;
  return metres == null
    ? 'Water boils cooler higher up, and processes take longer.'
    : `Water boils at ${temperature(boilingPointOfWater(metres), 1)} here.`;
}

const regions = new Intl.DisplayNames('en', { type: 'region' });

const longDate = (locale: string): string =>
  new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short', timeZone: 'UTC' }).format(
    new Date('2026-07-04T17:33:00Z'),
  );

/** The settings of the kitchen; an elevation that was not typed anew is not changed by the rounding it is shown with. */
function useSettings(kitchen: Kitchen) {
  const before = answersOf(kitchen);
  return useDeedForm({
    of: 'kitchen',
    draft: `kitchen settings ${kitchen.revision}`,
    empty: before,
    hasId: false,
    schema: KitchenChange,
    read: (a, fields) => ({
      revision: kitchen.revision,
      name: a.name,
      place: a.place,
      elevationMetres:
        a.elevation === before.elevation
          ? kitchen.elevationMetres
          : (fields.elevation('elevation') ?? Number.NaN),
      ...(a.elevation !== before.elevation && a.movedHere ? { movedHere: true } : {}),
      cupSchool: a.cupSchool || null,
      rulePack: a.rulePack,
      localStatement: a.localStatement,
      criticalPh: fields.figure('criticalPh', { unit: '' }) ?? Number.NaN,
      fillTolerancePercent: fields.figure('fillTolerancePercent', { unit: '' }) ?? Number.NaN,
      currency: a.currency,
      timeZone: a.timeZone,
      units: { temperature: a.temperature, weight: a.weight, locale: a.locale },
      secondPerson: a.secondPerson,
      idleMinutes: fields.figure('idleMinutes', { unit: 'min', whole: true }),
    }),
    write: (body) => call(kitchenRoutes.change, { body }),
    fieldAt: (path) => (path === 'elevationMetres' ? 'elevation' : undefined),
    done: 'Saved',
  });
}
type Settings = ReturnType<typeof useSettings>;

/** Another elevation: the kitchen moved, or the one before was wrong. */
function MovedHere({ form }: { form: Settings }) {
  const { error: _, ...field } = form.field('movedHere');
  return (
    <Tick
      hint="Without the tick the elevation before was wrong: what was processed at it is judged again, and held where its minutes were too few."
      {...field}
    >
      The kitchen moved here
    </Tick>
  );
}

function PlaceFields({ form, kitchen }: { form: Settings; kitchen: Kitchen }) {
  return (
    <>
      <Field label="Name" {...form.field('name')} />
      <Field label="Place, as it stands on a label" {...form.field('place')} />
      <Field
        label="Elevation above sea level"
        placeholder="2360 ft or 720 m"
        figure
        {...form.field('elevation')}
        hint={waterBoils(form.values.elevation)}
      />
      {form.values.elevation !== answersOf(kitchen).elevation && <MovedHere form={form} />}
      <Choice
        label="Time zone"
        {...form.field('timeZone')}
        hint="Decides which day it is in the kitchen: on labels, dates and plans."
        options={timeZonesWith(kitchen.timeZone).map((zone) => [zone, zone.replaceAll('_', ' ')])}
      />
      <Choice
        label="Cups and spoons of which country"
        {...form.field('cupSchool')}
        hint="Used wherever a line says cup, tablespoon or teaspoon."
        options={[
          ['', 'not said yet'],
          ...Object.entries(cupSchools).map(([id, school]) => [id, school.name] as const),
        ]}
      />
      <Choice
        label="Temperatures in"
        {...form.field('temperature')}
        hint="On every screen and print, and for a figure typed without its degrees."
        options={[
          ['C', '°C'],
          ['F', '°F, limits with °C beside'],
        ]}
      />
      <Choice
        label="Weights and volumes in"
        {...form.field('weight')}
        hint="Acids and spices under an ounce stay in grams. Amounts are typed in either."
        options={[
          ['metric', 'g, kg and mL'],
          ['us', 'lb, oz and fl oz'],
        ]}
      />
      <Choice
        label="Days and hours written as in"
        {...form.field('locale')}
        hint={`As in ${longDate(form.values.locale)}.`}
        options={LOCALES.map((locale) => [locale, regions.of(locale.slice(3))])}
      />
      <Choice
        label="Currency"
        {...form.field('currency')}
        hint="Of every price and cost."
        options={CURRENCIES.map((code) => [code, code])}
      />
    </>
  );
}

function RuleFields({ form }: { form: Settings }) {
  return (
    <>
      <Choice
        label="Label rules"
        {...form.field('rulePack')}
        hint="Decides what a label must say. A rule of your own place comes first."
        options={Object.values(rulePacks).map((pack) => [pack.id, `${pack.name}, ${pack.source}`])}
      />
      <Field
        label="Critical limit of pH"
        figure
        inputMode="decimal"
        {...form.field('criticalPh')}
        hint={`A lot over it is not released as acid. ${USUAL_CRITICAL_PH} unless you are stricter; never over ${HIGHEST_PH}. It holds for lots begun from now on.`}
      />
      <Field
        label="Unaccounted volume allowed, %"
        figure
        inputMode="decimal"
        {...form.field('fillTolerancePercent')}
        hint="Of what was in the pan. Over it, filling asks for a reason. For instance 5."
      />
      <Field
        label="Sign in again after, minutes"
        figure
        inputMode="numeric"
        {...form.field('idleMinutes')}
        hint="Of a device that nobody touches. Empty means never. For instance 60."
      />
      <Tick
        className="min-h-10 self-center"
        hint="Who filled the bottles does not release them, and whose work opened a deviation does not close it."
        {...form.register('secondPerson')}
      >
        A second person releases
      </Tick>
      <TextField
        className="col-span-full"
        label="Local statement, word for word from your own rule"
        {...form.field('localStatement')}
      />
    </>
  );
}

function SettingsForm({ owner }: { owner: boolean }) {
  const { kitchen } = useSession();
  const form = useSettings(kitchen);
  return (
    <form onSubmit={form.submit}>
      <fieldset disabled={!owner} className="grid grid-cols-2 gap-4 py-4 max-sm:grid-cols-1">
        <DraftNote form={form} />
        <PlaceFields form={form} kitchen={kitchen} />
        <RuleFields form={form} />
        {owner && (
          <Button type="submit" disabled={form.busy} className="justify-self-start">
            Save
          </Button>
        )}
      </fieldset>
    </form>
  );
}

/** The kitchen: where it lies, which cups it means, which rules it labels by, and who works in it. */
export function KitchenSettings() {
  const { account, kitchen } = useSession();
  const owner = account.role === 'owner';
  return (
    <Sheet
      asideLabel="Account and people"
      aside={
        <>
          <OwnAccount />
          <CalendarAddress />
          {owner && <People />}
        </>
      }
    >
      <h1 className="mb-3">Kitchen</h1>
      <Ruled title="Settings">
        <SettingsForm owner={owner} />
      </Ruled>
      <KitchenLabels kitchen={kitchen} owner={owner} />
      <WorkshopForm kitchen={kitchen} owner={owner} />
      <HeatProcesses owner={owner} />
      <Containers mayWrite={account.role !== 'reader'} />
      <Backups />
      {owner && <WholeKitchen />}
      {kitchen.broughtIn && <BroughtIn broughtIn={kitchen.broughtIn} />}
      <p className="mt-8">
        <Link className="mr-6 text-link underline" to="/records/import">
          Import lots, sales, stock or contacts from a spreadsheet
        </Link>
        <Link className="text-link underline" to="/kitchen/journal">
          Journal: every change of the kitchen
        </Link>
        <a className="ml-6 text-link underline" href={`${base}/licences.txt`}>
          Licences of fonts and libraries
        </a>
      </p>
    </Sheet>
  );
}
