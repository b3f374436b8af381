import type { Container } from '@inch/contract/container';
import { bodyOf } from '@inch/contract/entry';
import type { LotView } from '@inch/contract/lot';
import { closures, fillBottles, thermalShock } from '@inch/core/bottling';
import { degrees, degreesApart, limitOfHeat, readFigure, volumeShown } from '@inch/core/quantity';
import { useState } from 'react';
import { z } from 'zod';
import { useContainers } from '../data/containers.ts';
import type { FieldReader } from '../data/fieldReader.ts';
import { useIds } from '../data/ids.ts';
import { recordEntry } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useStock } from '../data/stock.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useSetting } from '../data/useSetting.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { AT_HINT, happened } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Bars } from '../ui/Unread.tsx';
import { WhenField } from '../ui/WhenField.tsx';
import { BestFit, type SizeRow } from './BestFit.tsx';
import { expectation } from './expecting.ts';

/** Pieces of one kind of packaging that are left in stock. */
const piecesLeft = (stock: readonly { thing: string; left: number }[] | undefined, thing: string): number =>
  (stock ?? []).filter((s) => s.thing === thing).reduce((sum, s) => sum + Math.max(0, s.left), 0);

interface Answers {
  closing: 'hot' | 'cooled';
  fillCelsius: string;
  middleCelsius: string;
  lastCelsius: string;
  glassCelsius: string;
  headspaceInches: string;
  hoursTo21: string;
  hoursToCold: string;
  place: string;
  at: string;
  rims: boolean;
  rings: boolean;
  lids: boolean;
  /** Millilitres to be filled; as expected where it is not said. */
  ml: string;
  counts: Record<string, string>;
}

type Form = ReturnType<typeof useFilling>;

type Check = keyof Answers & ('rims' | 'rings' | 'lids');

/** What is looked at before the bottles are filled, by how they close. */
function checksOf(sizes: readonly Container[]): [Check, string][] {
  const kinds = [...new Set(sizes.map((c) => c.closure))];
  const rings: [Check, string][] =
    kinds.length === 0 || kinds.includes('two-piece-lid')
      ? [['rings', 'Rings straight and clean, without rust']]
      : [];
  const before = (kinds.length === 0 ? (['two-piece-lid'] as const) : kinds).map((c) => closures[c].before);
  return [['rims', 'Every rim felt with a finger: no nick, no crack'], ...rings, ['lids', before.join(' ')]];
}

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

function Rating({ sizes, shelf }: { sizes: readonly Container[]; shelf: boolean }) {
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

const usual = (shelf: boolean): Answers => ({
  ...{ closing: shelf ? 'hot' : 'cooled', fillCelsius: '', middleCelsius: '', lastCelsius: '' },
  ...{
    glassCelsius: '',
    headspaceInches: '',
    hoursTo21: '',
    hoursToCold: '',
    place: shelf ? 'cellar' : 'cold room',
    at: '',
  },
  ...{ rims: false, rings: false, lids: false, ml: '', counts: {} },
});

const Fillings = z.array(bodyOf('bottling')).min(1, 'How many bottles? Count at least one.');

/** One filling a size: all of them, in the order of the sizes. */
function fillingsOf(
  a: Answers,
  fields: FieldReader<Answers>,
  idOf: (containerId: string) => string,
  asksRings: boolean,
) {
  const hot = a.closing === 'hot';
  const celsius = (name: 'fillCelsius' | 'middleCelsius' | 'lastCelsius' | 'glassCelsius') =>
    fields.figure(name, { unit: 'C' });
  const hours = (name: 'hoursTo21' | 'hoursToCold') => (hot ? null : fields.figure(name, { unit: '' }));
  const each = {
    closing: a.closing,
    fillCelsius: celsius('fillCelsius'),
    middleCelsius: celsius('middleCelsius'),
    lastCelsius: celsius('lastCelsius'),
    glassCelsius: celsius('glassCelsius'),
    headspaceInches: fields.figure('headspaceInches', { unit: 'in' }),
    checked: a.rims && a.lids && (a.rings || !asksRings),
    hoursTo21: hours('hoursTo21'),
    hoursToCold: hours('hoursToCold'),
    place: a.place,
    ...happened(a.at),
  };
  return Object.entries(a.counts).flatMap(([containerId, text]) => {
    const { value, problem } = readFigure(text, { unit: '', whole: true, min: 0 });
    if (problem !== undefined) fields.problem('counts', problem);
    return value ? [{ id: idOf(containerId), containerId, count: value, ...each }] : [];
  });
}

function useFilling(lot: LotView, shelf: boolean) {
  const ids = useIds();
  const containers = useContainers().data;
  const hasRings = (a: Answers) =>
    checksOf((containers ?? []).filter((c) => a.counts[c.id])).some(([key]) => key === 'rings');
  return useDeedForm({
    of: 'entry',
    draft: `bottling ${lot.id}`,
    empty: usual(shelf),
    schema: Fillings,
    hasId: false,
    read: (a, fields) => fillingsOf(a, fields, ids.of, hasRings(a)) as never,
    fieldAt: (path) => {
      const name = path.split('.').at(-1)!;
      return name in usual(shelf) ? (name as keyof Answers) : 'counts';
    },
    write: async (fillings) => {
      for (const filling of fillings) await recordEntry('bottling', lot, filling);
    },
    done: 'Bottles counted',
    after: ids.forget,
  });
}

function Temperatures({ form }: { form: Form }) {
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

function Checks({ form, sizes }: { form: Form; sizes: readonly Container[] }) {
  return (
    <fieldset className="grid gap-1.5">
      <legend className="mb-1 text-sm font-semibold text-ink-2">Looked at</legend>
      {checksOf(sizes).map(([key, says]) => {
        const { error: _, ...field } = form.field(key);
        return (
          <label key={key} className="flex min-h-8 items-center gap-2.5">
            <input type="checkbox" className="size-5 accent-[var(--rim)]" {...field} />
            {says}
          </label>
        );
      })}
    </fieldset>
  );
}

function Closing({ form }: { form: Form }) {
  const cooled = form.values.closing === 'cooled';
  return (
    <div className="grid grid-cols-4 gap-4 max-sm:grid-cols-2">
      <Choice
        label="Closed"
        className="col-span-2"
        hint={cooled ? 'Cooled open, then closed: kept cold, with its cooling clock.' : 'Hot and tight.'}
        {...form.field('closing')}
      >
        <option value="hot">hot</option>
        <option value="cooled">cooled open</option>
      </Choice>
      <Field
        className="col-span-2"
        label="Place"
        hint="Cellar, cold room, shelf 2."
        {...form.field('place')}
      />
      <Temperatures form={form} />
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

/** Sizes in stock with the count that is typed for each, and what fits of them. */
function useSizes(form: Form, shelf: boolean) {
  const containers = useContainers().data?.filter((c) => !c.retired);
  const stock = useStock().data;
  const rows: SizeRow[] | undefined = containers?.map((container) => ({
    container,
    toHand: piecesLeft(stock, `bottle:${container.id}`),
    count: form.values.counts[container.id] ?? '',
  }));
  const counted = rows?.some((r) => r.toHand > 0) ?? false;
  /** Fills the counts in with what fits best; false where nothing does. */
  const fit = (millilitres: number): boolean => {
    // Where no glass is in stock at all, nobody has counted it: then any number may be there.
    const sizes = (rows ?? [])
      .filter((r) => (r.toHand > 0 || !counted) && (!shelf || r.container.rated.length > 0))
      .map((r) => ({
        id: r.container.id,
        millilitres: Math.round(r.container.nominalMl),
        count: counted ? r.toHand : 400,
      }));
    const { bottles } = fillBottles(millilitres, sizes);
    form.set('counts', Object.fromEntries(bottles.map((b) => [b.id, String(b.count)])));
    return bottles.length > 0;
  };
  const lids = {
    'two-piece-lid': piecesLeft(stock, 'lid:two-piece'),
    'swing-top': piecesLeft(stock, 'lid:swing'),
    'screw-cap': piecesLeft(stock, 'lid:screw'),
  };
  return { rows, fit, lids };
}

/** What is still to be filled, mL: what was in the pan, less what is in bottles. */
function useRest(lot: LotView): number {
  const { inPan } = expectation(lot, useSetting(), [], serverNow());
  const tally = lot.tallies.filter((t) => t.struck === null).at(-1);
  return Math.max(0, (tally?.inPanMl ?? inPan?.ml ?? 0) - lot.bottles.millilitres);
}

/** Bottles of one or several sizes filled in one go: what fits, what was looked at, how hot it was. */
export function FillForm({ lot }: { lot: LotView }) {
  const shelf = lot.storage === 'shelf';
  const form = useFilling(lot, shelf);
  const { rows, fit, lids } = useSizes(form, shelf);
  const rest = useRest(lot);
  const [noFit, setNoFit] = useState(false);
  if (!rows) return <Bars rows={4} />;
  const millilitres = form.values.ml || (rest > 0 ? String(Math.round(volumeShown(rest) * 10) / 10) : '');
  const chosen = rows.filter((r) => (readFigure(r.count, { unit: '' }).value ?? 0) > 0);
  return (
    <form className="grid gap-5 py-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <BestFit
        lot={lot}
        rows={rows}
        millilitres={millilitres}
        setMillilitres={(ml) => form.set('ml', ml)}
        setCount={(id, count) => form.set('counts', { ...form.values.counts, [id]: count })}
        fit={() => setNoFit(!fit(readFigure(millilitres, { unit: 'ml', kitchens: true }).value ?? 0))}
        noFit={noFit && chosen.length === 0}
        lids={lids}
        error={form.error('counts')}
      />
      <Rating sizes={chosen.map((r) => r.container)} shelf={shelf} />
      <Checks form={form} sizes={chosen.map((r) => r.container)} />
      <Closing form={form} />
      <Button type="submit" disabled={form.busy || chosen.length === 0} className="justify-self-start">
        Count the bottles
      </Button>
    </form>
  );
}
