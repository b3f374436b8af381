import type { Container } from '@inch/contract/container';
import { type LotView, lotRoutes } from '@inch/contract/lot';
import { fillBottles, thermalShock } from '@inch/core/bottling';
import { useState } from 'react';
import { call, newId } from '../data/api.ts';
import { useContainers, useStock } from '../data/planning.ts';
import { serverNow } from '../data/serverClock.ts';
import { numberOrNull } from '../data/useEntry.ts';
import { useSetting } from '../data/useSetting.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { AT_HINT, happened } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { BestFit, type SizeRow } from './BestFit.tsx';
import { expectation } from './expecting.ts';

/** Pieces of one kind of packaging that are left in stock. */
const piecesLeft = (stock: readonly { thing: string; left: number }[] | undefined, thing: string): number =>
  (stock ?? []).filter((s) => s.thing === thing).reduce((sum, s) => sum + Math.max(0, s.left), 0);

interface Answers {
  closing: 'hot' | 'cooled';
  first: string;
  middle: string;
  last: string;
  glass: string;
  hoursTo21: string;
  hoursToCold: string;
  place: string;
  at: string;
  rims: boolean;
  rings: boolean;
  lids: boolean;
}

const CHECKS: readonly [keyof Answers & ('rims' | 'rings' | 'lids'), string][] = [
  ['rims', 'Every rim felt with a finger: no nick, no crack'],
  ['rings', 'Rings straight and clean'],
  ['lids', 'Lids new: a flat lid is used once'],
];

/** Says what a cold glass would do, before anything hot is poured. */
function Shock({ glass, fill }: { glass: string; fill: string }) {
  const [g, f] = [numberOrNull(glass), numberOrNull(fill)];
  if (g === null || f === null || !(g >= -20 && g <= 120 && f >= -20 && f <= 120)) return null;
  const { differenceCelsius, limitCelsius, over } = thermalShock(g, f);
  return (
    <p className={`col-span-full text-sm font-semibold ${over ? 'text-stop' : 'text-go'}`} role="status">
      {over ? '■ ' : '● '}
      {Math.round(differenceCelsius)} °C between glass and syrup;{' '}
      {over
        ? `over ${limitCelsius} it may crack. Warm the glass first: filled so, it opens a deviation.`
        : `glass stands ${limitCelsius}.`}
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
  ...{ closing: shelf ? 'hot' : 'cooled', first: '', middle: '', last: '', glass: '' },
  ...{ hoursTo21: '', hoursToCold: '', place: shelf ? 'cellar' : 'cold room', at: '' },
  ...{ rims: false, rings: false, lids: false },
});

/** One filling a size: all of them, in the order of the sizes. */
async function keepAll(lot: LotView, rows: readonly SizeRow[], a: Answers): Promise<void> {
  const hot = a.closing === 'hot';
  for (const { container, count } of rows)
    if (Number(count) > 0)
      await call(lotRoutes.bottle, {
        params: { id: lot.id },
        body: {
          id: newId(),
          containerId: container.id,
          count: Number(count),
          closing: a.closing,
          fillCelsius: numberOrNull(a.first),
          middleCelsius: numberOrNull(a.middle),
          lastCelsius: numberOrNull(a.last),
          glassCelsius: numberOrNull(a.glass),
          checked: a.rims && a.rings && a.lids,
          hoursTo21: hot ? null : numberOrNull(a.hoursTo21),
          hoursToCold: hot ? null : numberOrNull(a.hoursToCold),
          place: a.place,
          ...happened(a.at),
        },
      });
}

function Temperatures({
  a,
  set,
  fields,
}: {
  a: Answers;
  set: (part: Partial<Answers>) => void;
  fields: Record<string, string>;
}) {
  const field = (key: 'first' | 'middle' | 'last' | 'glass', label: string, path: string) => (
    <Field
      label={label}
      figure
      inputMode="decimal"
      value={a[key]}
      onChange={(e) => set({ [key]: e.target.value })}
      error={fields[path]}
    />
  );
  return (
    <>
      {field('first', a.closing === 'hot' ? 'First bottle, °C' : 'Filled at, °C', 'fillCelsius')}
      {field('middle', 'A middle one, °C', 'middleCelsius')}
      {field('last', 'Last bottle, °C', 'lastCelsius')}
      {field('glass', 'Glass before, °C', 'glassCelsius')}
      <Shock glass={a.glass} fill={a.first} />
    </>
  );
}

/** Bottles of one or several sizes filled in one go: what fits, what was looked at, how hot it was. */
export function FillForm({ lot }: { lot: LotView }) {
  const containers = useContainers().data;
  const stock = useStock().data;
  const setting = useSetting();
  const shelf = lot.storage === 'shelf';
  const { inPan } = expectation(lot, setting, [], serverNow());
  const tally = lot.tallies.filter((t) => t.struck === null).at(-1);
  const rest = Math.max(0, (tally?.inPanMl ?? inPan?.ml ?? 0) - lot.bottles.millilitres);
  const [ml, setMl] = useState<string | null>(null);
  const [counts, setCounts] = useState<Record<string, string>>({});
  const [noFit, setNoFit] = useState(false);
  const [a, change] = useState<Answers>(() => usual(shelf));
  const set = (part: Partial<Answers>) => change((before) => ({ ...before, ...part }));
  const write = useWrite(() => keepAll(lot, rows, a), {
    done: 'Counted in',
    after: () => {
      setCounts({});
      setMl(null);
    },
  });
  if (!containers) return null;
  const millilitres = ml ?? (rest > 0 ? String(Math.round(rest)) : '');
  const rows: SizeRow[] = containers.map((container) => ({
    container,
    toHand: piecesLeft(stock, `bottle:${container.id}`),
    count: counts[container.id] ?? '',
  }));
  const chosen = rows.filter((r) => Number(r.count) > 0);
  const counted = rows.some((r) => r.toHand > 0);
  const fit = () => {
    // Where no glass is in stock at all, nobody has counted it: then any number may be there.
    const sizes = rows
      .filter((r) => (r.toHand > 0 || !counted) && (!shelf || r.container.rated.length > 0))
      .map((r) => ({
        id: r.container.id,
        millilitres: Math.round(r.container.nominalMl),
        count: counted ? r.toHand : 400,
      }));
    const { bottles } = fillBottles(Number(millilitres), sizes);
    setCounts(Object.fromEntries(bottles.map((b) => [b.id, String(b.count)])));
    setNoFit(bottles.length === 0);
  };
  return (
    <form
      className="grid gap-5 py-4"
      onSubmit={(e) => {
        e.preventDefault();
        write.run(undefined);
      }}
    >
      <BestFit
        lot={lot}
        rows={rows}
        millilitres={millilitres}
        setMillilitres={setMl}
        setCount={(id, count) => setCounts({ ...counts, [id]: count })}
        fit={fit}
        noFit={noFit && chosen.length === 0}
        lids={{
          'two-piece-lid': piecesLeft(stock, 'lid:two-piece'),
          'swing-top': piecesLeft(stock, 'lid:swing'),
          'screw-cap': piecesLeft(stock, 'lid:screw'),
        }}
        error={write.fields.count ?? write.fields.containerId}
      />
      <Rating sizes={chosen.map((r) => r.container)} shelf={shelf} />
      <fieldset className="grid gap-1.5">
        <legend className="mb-1 text-sm font-semibold text-ink-2">Looked at</legend>
        {CHECKS.map(([key, says]) => (
          <label key={key} className="flex min-h-8 items-center gap-2.5">
            <input
              type="checkbox"
              className="size-5 accent-[var(--rim)]"
              checked={a[key]}
              onChange={(e) => set({ [key]: e.target.checked })}
            />
            {says}
          </label>
        ))}
      </fieldset>
      <div className="grid grid-cols-4 gap-4 max-sm:grid-cols-2">
        <Choice
          label="Closed"
          className="col-span-2"
          value={a.closing}
          onChange={(e) => set({ closing: e.target.value as Answers['closing'] })}
          hint={
            a.closing === 'hot'
              ? 'Hot and tight.'
              : 'Cooled open, then closed: kept cold, with its cooling clock.'
          }
        >
          <option value="hot">hot</option>
          <option value="cooled">cooled open</option>
        </Choice>
        <Field
          className="col-span-2"
          label="Into which place"
          value={a.place}
          onChange={(e) => set({ place: e.target.value })}
          error={write.fields.place}
        />
        <Temperatures a={a} set={set} fields={write.fields} />
        {a.closing === 'cooled' && (
          <>
            <Field
              className="col-span-2"
              label="Hours until at 21 °C"
              figure
              inputMode="decimal"
              value={a.hoursTo21}
              onChange={(e) => set({ hoursTo21: e.target.value })}
              error={write.fields.hoursTo21}
              hint="Leave it empty while it still cools: its clock runs under Cool."
            />
            <Field
              className="col-span-2"
              label="Hours until at 5 °C"
              figure
              inputMode="decimal"
              value={a.hoursToCold}
              onChange={(e) => set({ hoursToCold: e.target.value })}
              error={write.fields.hoursToCold}
            />
          </>
        )}
        <Field
          className="col-span-2"
          label="Filled at"
          type="datetime-local"
          value={a.at}
          onChange={(e) => set({ at: e.target.value })}
          error={write.fields.at}
          hint={AT_HINT}
        />
      </div>
      <Button type="submit" disabled={write.busy || chosen.length === 0} className="justify-self-start">
        Count them in
      </Button>
    </form>
  );
}
