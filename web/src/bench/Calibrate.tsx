import { type Instrument, instrumentRoutes } from '@inch/contract/instrument';
import { calibrateMeter } from '@inch/core/acid';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { figureIn, problemIn } from '../ui/typed.ts';

const BUFFERS = [
  { key: 'seven', buffer: 7, name: 'Buffer 7.00' },
  { key: 'four', buffer: 4.01, name: 'Buffer 4.01' },
  { key: 'low', buffer: 3, name: 'Low check' },
] as const;

const LOW_CHECKS = [
  { value: 3, name: 'buffer 3.00' },
  { value: 2, name: 'buffer 2.00' },
  { value: 3.56, name: 'cream of tartar, 3.56' },
];

const cell = 'figure min-h-12 w-full rounded-lg border border-steel bg-enamel px-3 text-right text-lg';

type Texts = Record<(typeof BUFFERS)[number]['key'], { mv: string; celsius: string }>;

function pointsOf(texts: Texts, low: number) {
  return BUFFERS.flatMap(({ key, buffer }) => {
    const [mv, celsius] = [figureIn(texts[key].mv), figureIn(texts[key].celsius)];
    return mv === null || celsius === null ? [] : [{ buffer: key === 'low' ? low : buffer, mv, celsius }];
  });
}

function verdictOf(points: ReturnType<typeof pointsOf>) {
  try {
    return points.length >= 2 ? calibrateMeter(points) : null;
  } catch {
    return null;
  }
}

/** Buffers into the meter: millivolts and temperature of each, the slope and offset seen before they are kept. */
export function Calibrate({ meter }: { meter: Instrument }) {
  const [texts, setTexts] = useState<Texts>({
    seven: { mv: '', celsius: '20' },
    four: { mv: '', celsius: '20' },
    low: { mv: '', celsius: '20' },
  });
  const [low, setLow] = useState(3);
  const points = pointsOf(texts, low);
  const verdict = verdictOf(points);
  const unread = Object.values(texts).some((t) => (problemIn(t.mv) ?? problemIn(t.celsius)) !== undefined);
  const write = useWrite(
    'instrument',
    (_: undefined, idOf) =>
      call(instrumentRoutes.calibrate, { params: { id: meter.id }, body: { id: idOf(), points } }),
    { done: 'Calibration saved', tellsErrors: true },
  );
  const set = (key: keyof Texts, part: Partial<Texts['seven']>) =>
    setTexts({ ...texts, [key]: { ...texts[key], ...part } });
  return (
    <form
      className="py-4"
      onSubmit={(e) => {
        e.preventDefault();
        write.run(undefined);
      }}
    >
      <table>
        <thead>
          <tr className="text-left text-sm text-ink-2">
            <th className="pb-1 font-semibold">Standard</th>
            <th className="pb-1 font-semibold">Millivolts</th>
            <th className="pb-1 pl-3 font-semibold">°C</th>
          </tr>
        </thead>
        <tbody>
          {BUFFERS.map(({ key, name }) => (
            <tr key={key}>
              <th scope="row" className="w-56 py-1.5 pr-3 text-left font-semibold">
                {key === 'low' ? (
                  <select
                    aria-label="Low check with"
                    value={low}
                    onChange={(e) => setLow(Number(e.target.value))}
                    className="min-h-12 rounded-lg border border-steel bg-enamel px-2 font-normal"
                  >
                    {LOW_CHECKS.map((c) => (
                      <option key={c.value} value={c.value}>
                        {c.name}
                      </option>
                    ))}
                  </select>
                ) : (
                  name
                )}
              </th>
              <td className="w-40 py-1.5">
                <input
                  aria-label={`${name}, millivolts`}
                  className={cell}
                  value={texts[key].mv}
                  onChange={(e) => set(key, { mv: e.target.value })}
                />
              </td>
              <td className="w-28 py-1.5 pl-3">
                <input
                  aria-label={`${name}, °C`}
                  className={cell}
                  value={texts[key].celsius}
                  onChange={(e) => set(key, { celsius: e.target.value })}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p
        aria-live="polite"
        className={`mt-3 min-h-6 font-semibold ${verdict ? (verdict.accepted ? 'text-go' : 'text-stop') : 'text-ink-2'}`}
      >
        {verdict
          ? verdict.reason
          : 'Millivolts of both buffers; a third standard under 4.01 for readings below it.'}
      </p>
      {write.error && (
        <p role="alert" className="font-semibold text-stop">
          {write.error.message}
        </p>
      )}
      <Button type="submit" className="mt-3" disabled={write.busy || !verdict || unread}>
        Save calibration
      </Button>
    </form>
  );
}
