import { ageingRoutes, type PlaceTemperature } from '@inch/contract/ageing';
import { bodyOf } from '@inch/contract/entry';
import { excursionsOver, storeQuality } from '@inch/core/ageing';
import { type LoggerFile, thinnedTo } from '@inch/core/instrument';
import { degrees, plural, temperature } from '@inch/core/quantity';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { useInstruments } from '../data/instruments.ts';
import { keys } from '../data/keys.ts';
import { useLotsOnHand } from '../data/lots.ts';
import { send } from '../data/record.ts';
import { useMayWrite } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
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
      <Choice label="Read with" value={instrument?.id ?? ''} onChange={(e) => setChosen(e.target.value)}>
        {thermometers.map((t) => (
          <option key={t.id} value={t.id}>
            {t.name}
          </option>
        ))}
      </Choice>
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

/** One place: what it made of what stands in it, and when it was too warm. */
function Place({ place, entries }: { place: string; entries: PlaceTemperature[] }) {
  const samples = entries.flatMap((e) => e.samples).sort((a, b) => a.at.localeCompare(b.at));
  const last = samples.at(-1)!;
  const cold = samples.reduce((sum, s) => sum + s.celsius, 0) / samples.length < 10;
  const over = cold ? excursionsOver(samples, COLD).filter((e) => e.hours > 0) : [];
  const quality = storeQuality(samples, null);
  return (
    <li className="border-b border-steel-line py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <span className="font-semibold">{place}</span>
        <span>
          <span className="figure text-lg font-bold">{temperature(last.celsius)}</span>{' '}
          <span className="text-sm text-ink-2">{dayAndTime(last.at)}</span>
        </span>
      </div>
      <p className="text-sm text-ink-2">
        {plural(samples.length, 'reading')}
        {quality.days >= 0.1 &&
          `; ${quality.days.toFixed(1)} days with readings, ${temperature(quality.mean, 1)} on the average: for browning and aroma ${quality.asDaysAt15.low.toFixed(1)} to ${quality.asDaysAt15.high.toFixed(1)} days at ${temperature(15)}`}
        .
      </p>
      {over.map((e) => (
        <p key={e.from} className="text-sm">
          <State tone="hold">
            over {temperature(COLD)} for {e.hours.toFixed(1)} h
          </State>{' '}
          up to {temperature(e.highest)}, from {dayAndTime(e.from)}
        </p>
      ))}
    </li>
  );
}

/** How warm it was where bottles stand: quality, never safety; what keeps three or seven days is held when it was too warm. */
export function Stores() {
  const { data, error, refetch } = useQuery({
    queryKey: keys.list('place-temperature'),
    queryFn: () => call(ageingRoutes.temperatures),
  });
  const mayWrite = useMayWrite();
  if (!data) return <Unread title="Cold room and cellar" error={error} retry={refetch} />;
  const byPlace = new Map<string, PlaceTemperature[]>();
  for (const entry of data) byPlace.set(entry.place, [...(byPlace.get(entry.place) ?? []), entry]);
  return (
    <Sheet>
      <h1>Cold room and cellar</h1>
      <p className="mt-1 text-ink-2">
        Warmth ages the taste sooner. These figures say nothing of safety, but two hours over{' '}
        {temperature(COLD)} hold what keeps three or seven days.
      </p>
      {mayWrite && (
        <Ruled title="How warm is it?" className="mt-5">
          <ByHand />
        </Ruled>
      )}
      {byPlace.size === 0 ? (
        <Empty title="No temperatures yet">
          Read a thermometer where bottles stand, or open a logger’s file.
        </Empty>
      ) : (
        <Ruled title="By place" className="mt-6">
          <ul>
            {[...byPlace].map(([place, entries]) => (
              <Place key={place} place={place} entries={entries} />
            ))}
          </ul>
        </Ruled>
      )}
    </Sheet>
  );
}
