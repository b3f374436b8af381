import { type Instrument, instrumentRoutes } from '@inch/contract/making/instrument';
import { bodyOf } from '@inch/contract/route/entry';
import { calibrateMeter } from '@inch/core/acid';
import { degrees, degreesShown } from '@inch/core/quantity';
import { useState } from 'react';
import { send } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { figureIn } from '../ui/typed.ts';

const STANDARDS = [
  { key: 'seven', buffer: 7, name: 'Buffer 7.00' },
  { key: 'four', buffer: 4.01, name: 'Buffer 4.01' },
  { key: 'low', buffer: null, name: 'Low check' },
] as const;

const LOW_CHECKS = [
  { value: '3', name: 'buffer 3.00' },
  { value: '2', name: 'buffer 2.00' },
  { value: '3.56', name: 'cream of tartar, 3.56' },
];

/** Buffers stand in the room, where nothing else is said. */
const warm = (): string => degreesShown(20).toFixed(0);

const emptyAnswers = (shows: 'mV' | 'pH') => ({
  shows,
  seven: { mv: '', celsius: warm() },
  four: { mv: '', celsius: warm() },
  low: { mv: '', celsius: warm() },
  lowWith: '3',
});

/** Whether a meter was calibrated last by the pH that it shows: a pen has no millivolts. */
const showsPh = (meter: Instrument): boolean => meter.calibrations[0]?.points[0]?.ph != null;

function useCalibration(meter: Instrument) {
  const [empty] = useState(() => emptyAnswers(showsPh(meter) ? 'pH' : 'mV'));
  return useDeedForm({
    of: 'instrument',
    draft: `calibration ${meter.id}`,
    empty,
    schema: bodyOf('calibration'),
    read: (a, fields) => ({
      points: STANDARDS.flatMap(({ key, buffer }) => {
        const shown = fields.figure(`${key}.mv`, { unit: '' });
        const celsius = fields.figure(`${key}.celsius`, { unit: 'C' });
        if (shown === null || celsius === null) return [];
        const pen = a.shows === 'pH';
        return [
          {
            buffer: buffer ?? Number(a.lowWith),
            mv: pen ? null : shown,
            ph: pen ? shown : null,
            celsius,
          },
        ];
      }),
    }),
    fieldAt: (path, values) => {
      const [, at, part] = path.split('.');
      if (at === undefined) return 'seven.mv';
      const { key } = STANDARDS.filter((s) => figureIn(values[s.key].mv) !== null)[Number(at)]!;
      return part === 'celsius' ? `${key}.celsius` : `${key}.mv`;
    },
    write: (body) =>
      send(instrumentRoutes.calibrate, {
        of: 'instrument',
        code: meter.name,
        words: 'Calibrated',
        params: { id: meter.id },
        body: { at: serverNow(), ...body },
      }),
    done: 'Calibration saved',
  });
}
type Calibration = ReturnType<typeof useCalibration>;

function verdictOf(points: Parameters<typeof calibrateMeter>[0] | undefined) {
  try {
    return points ? calibrateMeter(points) : null;
  } catch {
    return null;
  }
}

function StandardRow({ form, standard }: { form: Calibration; standard: (typeof STANDARDS)[number] }) {
  const { key, name } = standard;
  return (
    <tr className="align-top">
      <th scope="row" className="w-56 py-1.5 pr-3 text-left font-semibold">
        {key === 'low' ? (
          <Choice
            label="Low check with"
            labelHidden
            {...form.field('lowWith')}
            options={LOW_CHECKS.map((c) => [c.value, c.name])}
          />
        ) : (
          <span className="block pt-2">{name}</span>
        )}
      </th>
      <td className="w-40 py-1.5">
        <Field
          label={`${name}, ${form.values.shows === 'pH' ? 'pH' : 'millivolts'}`}
          labelHidden
          figure
          {...form.field(`${key}.mv`)}
        />
      </td>
      <td className="w-28 py-1.5 pl-3">
        <Field label={`${name}, ${degrees()}`} labelHidden figure {...form.field(`${key}.celsius`)} />
      </td>
    </tr>
  );
}

/** Buffers into the meter: millivolts and temperature of each, the slope and offset seen before they are kept. */
export function Calibrate({ meter }: { meter: Instrument }) {
  const form = useCalibration(meter);
  const verdict = verdictOf(form.body?.points);
  const tone = verdict ? (verdict.accepted ? 'text-go' : 'text-stop') : 'text-ink-2';
  return (
    <form className="py-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Choice
        className="mb-3 w-56"
        label="It shows"
        {...form.field('shows')}
        options={[
          ['mV', 'millivolts'],
          ['pH', 'pH alone, as a pen does'],
        ]}
      />
      <table>
        <thead>
          <tr className="text-left text-sm text-ink-2">
            <th className="pb-1 font-semibold">Standard</th>
            <th className="pb-1 font-semibold">
              {form.values.shows === 'pH' ? 'It shows, pH' : 'Millivolts'}
            </th>
            <th className="pb-1 pl-3 font-semibold">{degrees()}</th>
          </tr>
        </thead>
        <tbody>
          {STANDARDS.map((standard) => (
            <StandardRow key={standard.key} form={form} standard={standard} />
          ))}
        </tbody>
      </table>
      <p aria-live="polite" className={`mt-3 min-h-6 font-semibold ${tone}`}>
        {verdict
          ? verdict.reason
          : 'Write what the meter shows in each buffer. 7.00 and 4.01 are needed; the third is for readings under 4.01.'}
      </p>
      <Button type="submit" className="mt-3" disabled={form.busy}>
        Save calibration
      </Button>
    </form>
  );
}
