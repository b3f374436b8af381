import { NewPlaceSaid, placeRoutes } from '@inch/contract/kitchen/place';
import { ageingRoutes, type PlaceTemperature } from '@inch/contract/making/ageing';
import { bodyOf } from '@inch/contract/route/entry';
import { excursionsOver, storeQuality } from '@inch/core/ageing';
import { type LoggerFile, thinnedTo } from '@inch/core/instrument';
import { type PlaceKind, placeNames } from '@inch/core/place';
import { degrees, plural, temperature } from '@inch/core/quantity';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call, newId } from '../data/api.ts';
import { useInstruments } from '../data/instruments.ts';
import { keys } from '../data/keys.ts';
import { useLotsOnHand } from '../data/lots.ts';
import { useKindOf, usePlacesSaid } from '../data/places.ts';
import { send } from '../data/record.ts';
import { useMayWrite } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useWrite } from '../data/useWrite.ts';
import { LoggerPicker } from '../parts/instrument/LoggerPicker.tsx';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { dayAndTime } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';

const MOST = 3000;
const COLD = 5;

function usePlaces(): string[] {
  const { data } = useLotsOnHand();
  return [...new Set((data?.lots ?? []).flatMap((l) => l.bottles.groups.map((g) => g.place)))].sort();
}

const write = (instrument: { id: string; name: string }, body: Parameters<typeof send>[1]['body']) =>
  send(ageingRoutes.addTemperature, {
    of: 'place-temperature',
    code: instrument.name,
    words: 'How warm it was where bottles stand',
    params: { id: instrument.id },
    body: body as never,
  });

function ByHand() {
  const instruments = useInstruments();
  const thermometers = (instruments.data ?? []).filter((i) => i.kind === 'thermometer' && !i.retired);
  const places = usePlaces();
  const [chosen, setChosen] = useState('');
  const instrument = thermometers.find((t) => t.id === chosen) ?? thermometers[0];
  const form = useDeedForm({
    of: 'place-temperature',
    draft: 'place temperature',
    empty: {
      place: '',
      celsius: '',
      file: [] as { at: string; celsius: number }[],
    },
    schema: bodyOf('place-temperature'),
    read: (a, fields) => {
      const celsius = a.file.length > 0 ? null : fields.figure('celsius', { unit: 'C', kitchens: true });
      return {
        place: a.place,
        samples:
          a.file.length > 0 ? a.file : celsius === null ? [] : [{ at: new Date().toISOString(), celsius }],
      };
    },
    fieldAt: (path) => (path.startsWith('samples') ? 'celsius' : undefined),
    write: (body) => {
      if (!instrument)
        throw new Error('Add a thermometer at Bench first: a temperature says what it was read with.');
      return write(instrument, body);
    },
    done: 'Recorded',
  });
  const take = (file: LoggerFile) => form.set('file', thinnedTo(file.samples, MOST).samples);
  return (
    <form
      className="grid grid-cols-3 items-start gap-4 py-3 max-md:grid-cols-2 max-sm:grid-cols-1"
      onSubmit={form.submit}
    >
      <DraftNote form={form} />
      <Field label="Place" list="places" placeholder="cold room" {...form.field('place')} />
      <datalist id="places">
        {places.map((p) => (
          <option key={p} value={p} />
        ))}
      </datalist>
      <Choice
        label="Read with"
        value={instrument?.id ?? ''}
        onChange={(e) => setChosen(e.target.value)}
        options={thermometers.map((t) => [t.id, t.name])}
      />
      {form.values.file.length > 0 ? (
        <p className="mt-7">
          {plural(form.values.file.length, 'reading')} of a logger{' '}
          <Button tone="quiet" size="small" onClick={() => form.set('file', [])}>
            Remove
          </Button>
        </p>
      ) : (
        <Field label={`Now, ${degrees()}`} figure inputMode="decimal" {...form.field('celsius')} />
      )}
      <div className="col-span-full flex flex-wrap gap-3">
        <Button type="submit" disabled={form.busy}>
          Record
        </Button>
        <LoggerPicker label="A logger’s file of this place" onRead={take} />
      </div>
    </form>
  );
}

const KINDS: Record<PlaceKind, string> = {
  fridge: 'a fridge or cold room',
  freezer: 'a freezer',
  warm: 'not cooled',
};

/** What a place is: by its name, or as somebody says it here; and another name of the same place. */
function WhatItIs({ place }: { place: string }) {
  const mayWrite = useMayWrite();
  const { kind, said } = useKindOf()(place);
  const [naming, setNaming] = useState(false);
  const form = useDeedForm({
    of: 'place',
    draft: `place ${place}`,
    empty: { alsoCalled: '' },
    schema: NewPlaceSaid,
    read: (a) => ({ name: place, kind: null, alsoCalled: a.alsoCalled || null }),
    write: (body) => send(placeRoutes.say, { of: 'place', code: place, words: 'Another name', body }),
    after: () => setNaming(false),
  });
  const say = useWrite('place', (next: PlaceKind) =>
    send(placeRoutes.say, {
      of: 'place',
      code: place,
      words: `It is ${KINDS[next]}`,
      body: { id: newId(), name: place, kind: next, alsoCalled: null },
    }),
  );
  return (
    <div className="mt-1 flex flex-wrap items-end gap-x-4 gap-y-2">
      {mayWrite ? (
        <Choice
          label="What it is"
          className="w-80 max-w-full"
          value={kind ?? ''}
          disabled={say.busy}
          onChange={(e) => say.run(e.target.value as PlaceKind)}
        >
          {kind === null && <option value="">not said: counts as not cooled</option>}
          {Object.entries(KINDS).map(([of, words]) => (
            <option key={of} value={of}>
              {words}
              {of === kind && !said ? ', by its name' : ''}
            </option>
          ))}
        </Choice>
      ) : (
        <p className="text-sm text-ink-2">{kind === null ? 'not said: counts as not cooled' : KINDS[kind]}</p>
      )}
      {mayWrite && !naming && (
        <Button tone="quiet" size="small" onClick={() => setNaming(true)}>
          Another name…
        </Button>
      )}
      {naming && (
        <form className="flex items-end gap-2" onSubmit={form.submit}>
          <Field label="It is also called" {...form.field('alsoCalled')} />
          <Button type="submit" size="small" disabled={form.busy}>
            Save
          </Button>
        </form>
      )}
    </div>
  );
}

/** One place: what it is, what it made of what stands in it, and when it was too warm. */
function Place({ place, bottles, entries }: { place: string; bottles: number; entries: PlaceTemperature[] }) {
  const samples = entries.flatMap((e) => e.samples).sort((a, b) => a.at.localeCompare(b.at));
  const last = samples.at(-1);
  const { kind } = useKindOf()(place);
  const over = kind === 'fridge' ? excursionsOver(samples, COLD).filter((e) => e.hours > 0) : [];
  const quality = storeQuality(samples, null);
  return (
    <li className="border-b border-steel-line py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <span>
          <span className="font-semibold">{place}</span>
          {bottles > 0 && <span className="text-ink-2">, {plural(bottles, 'bottle')}</span>}
        </span>
        {last && (
          <span>
            <span className="figure text-lg font-bold">{temperature(last.celsius)}</span>{' '}
            <span className="text-sm text-ink-2">{dayAndTime(last.at)}</span>
          </span>
        )}
      </div>
      {samples.length > 0 && (
        <p className="text-sm text-ink-2">
          {plural(samples.length, 'reading')}
          {quality.days >= 0.1 &&
            `; ${quality.days.toFixed(1)} days with readings, ${temperature(quality.mean, 1)} on the average: for browning and aroma ${quality.asDaysAt15.low.toFixed(1)} to ${quality.asDaysAt15.high.toFixed(1)} days at ${temperature(15)}`}
          .
        </p>
      )}
      {over.map((e) => (
        <p key={e.from} className="text-sm">
          <State tone="hold">
            over {temperature(COLD)} for {e.hours.toFixed(1)} h
          </State>{' '}
          up to {temperature(e.highest)}, from {dayAndTime(e.from)}
        </p>
      ))}
      <WhatItIs place={place} />
    </li>
  );
}

/** Places with bottles or readings, each once however it is spelt, with what stands and was read there. */
function useByPlace(read: readonly PlaceTemperature[]) {
  const said = usePlacesSaid().data ?? [];
  const lots = useLotsOnHand().data?.lots ?? [];
  const of = placeNames(said);
  const places = new Map<string, { place: string; bottles: number; entries: PlaceTemperature[] }>();
  const at = (name: string) => {
    const found = places.get(of(name)) ?? { place: name, bottles: 0, entries: [] };
    places.set(of(name), found);
    return found;
  };
  for (const group of lots.flatMap((lot) => lot.bottles.groups)) at(group.place).bottles += group.count;
  for (const entry of read) at(entry.place).entries.push(entry);
  return [...places.values()].sort((a, b) => a.place.localeCompare(b.place));
}

/** Where bottles stand, what each place is and how warm it was: the hours of what is kept cold are counted by it. */
export function Stores() {
  const { data, error, refetch } = useQuery({
    queryKey: keys.list('place-temperature'),
    queryFn: () => call(ageingRoutes.temperatures),
  });
  const mayWrite = useMayWrite();
  const places = useByPlace(data ?? []);
  if (!data) return <Unread title="Places and their warmth" error={error} retry={refetch} />;
  return (
    <Sheet>
      <h1>Places and their warmth</h1>
      <p className="mt-1 max-w-3xl text-ink-2">
        Every bottle that is kept cold carries its hours over {temperature(COLD)} with it, from place to
        place. A fridge is cold until a reading says otherwise; a shelf or a market table is warm. Two hours
        in all discard what keeps three or seven days.
      </p>
      {mayWrite && (
        <Ruled title="How warm is it?" className="mt-5">
          <ByHand />
        </Ruled>
      )}
      {places.length === 0 ? (
        <Empty title="No places yet">
          A place stands here once bottles are counted into it, or a thermometer was read there.
        </Empty>
      ) : (
        <Ruled title="By place" className="mt-6">
          <ul>
            {places.map((p) => (
              <Place key={p.place} {...p} />
            ))}
          </ul>
        </Ruled>
      )}
    </Sheet>
  );
}
