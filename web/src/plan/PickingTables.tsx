import { money, pricePerWeightShown, weightSign } from '@inch/core/quantity';
import type { Planning } from '../data/planning.ts';
import { useSession } from '../data/session.tsx';
import { Fruit } from '../ui/State.tsx';
import { Tick } from '../ui/Tick.tsx';
import { WhenField } from '../ui/WhenField.tsx';
import { marginPerKg, type RipeRow, type UseRow } from './dividing.ts';

const cell = 'figure min-h-10 w-full rounded-lg border border-steel bg-enamel px-2 text-right';

/** How much of a picking waits how long. */
export function RipeTable({ rows, set }: { rows: RipeRow[]; set: (rows: RipeRow[]) => void }) {
  const change = (id: string, part: Partial<RipeRow>) =>
    set(rows.map((r) => (r.id === id ? { ...r, ...part } : r)));
  return (
    <ul>
      {rows.map((r) => (
        <li
          key={r.id}
          className="grid grid-cols-[1fr_6rem_10rem] items-center gap-3 border-b border-steel-line py-1.5"
        >
          <span>{r.says}</span>
          <label className="flex items-center gap-1.5">
            <input
              aria-label={`${r.says}, ${weightSign('heavy')}`}
              inputMode="decimal"
              value={r.amount}
              onChange={(e) => change(r.id, { amount: e.target.value })}
              className={cell}
            />
            <span className="text-sm text-ink-2">{weightSign('heavy')}</span>
          </label>
          <WhenField
            kind="day"
            label={`${r.says}, until`}
            labelHidden
            value={r.until}
            onChange={(until) => change(r.id, { until })}
          />
        </li>
      ))}
    </ul>
  );
}

/** What it can be made into: when, between what, for how much. */
export function UseTable({
  rows,
  set,
  planning,
}: {
  rows: UseRow[];
  set: (rows: UseRow[]) => void;
  planning: Planning;
}) {
  const { currency } = useSession().kitchen;
  const change = (row: UseRow, part: Partial<UseRow>) =>
    set(rows.map((r) => (r === row ? { ...r, ...part } : r)));
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[44rem]">
        <thead>
          <tr className="border-b border-steel-line text-left text-sm text-ink-2">
            {[
              'Into',
              'Worked on',
              `At least, ${weightSign('heavy')}`,
              `At most, ${weightSign('heavy')}`,
              `A bottle sells at, ${currency}`,
              weightSign('heavy') === 'kg' ? 'A kilo earns' : 'A pound earns',
            ].map((h) => (
              <th key={h} scope="col" className="py-1 pr-3 font-semibold">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const { name, colour, id } = row.formula;
            const earns = row.price === '' ? null : marginPerKg(row, planning);
            return (
              <tr key={id} className={`border-b border-steel-line ${row.considered ? '' : 'opacity-60'}`}>
                <td className="py-1.5 pr-3">
                  <Tick
                    className="font-semibold"
                    checked={row.considered}
                    onChange={(e) => change(row, { considered: e.target.checked })}
                  >
                    <Fruit colour={colour} size={13} /> {name}
                  </Tick>
                </td>
                <td className="w-40 pr-3">
                  <WhenField
                    kind="day"
                    label={`${name}, worked on`}
                    labelHidden
                    value={row.on}
                    onChange={(on) => change(row, { on })}
                  />
                </td>
                {(['least', 'most', 'price'] as const).map((field) => (
                  <td key={field} className="w-28 pr-3">
                    <input
                      aria-label={`${name}, ${field === 'price' ? 'price a bottle' : `at ${field}`}`}
                      inputMode="decimal"
                      value={row[field]}
                      onChange={(e) => change(row, { [field]: e.target.value })}
                      className={cell}
                    />
                  </td>
                ))}
                <td className="figure text-right">
                  {earns === null ? '–' : money(Math.round(pricePerWeightShown(earns)), currency)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
