import type { Contribution, Forecast, FormulaContent } from '@inch/core/formula';
import { money, volume } from '@inch/core/quantity';
import { useState } from 'react';
import { useSession } from '../../data/session.tsx';
import { signed } from '../Lines.tsx';

type Of = 'ph' | 'brix' | 'millilitres' | 'cost';
const NAMES: Record<Of, string> = { ph: 'pH', brix: '°Bx', millilitres: 'yield', cost: 'cost' };

function Bar({ value, most }: { value: number | null; most: number }) {
  const half = 60;
  const length = value === null || most === 0 ? 0 : (Math.abs(value) / most) * (half - 2);
  return (
    <svg width={2 * half} height="14" aria-hidden="true">
      <line x1={half} x2={half} y1="0" y2="14" stroke="var(--steel)" />
      {length > 0.2 && (
        <rect
          className="level"
          x={value! < 0 ? half - length : half}
          y="3"
          width={length}
          height="8"
          rx="2"
          fill={value! < 0 ? 'var(--steel)' : 'var(--rim)'}
        />
      )}
    </svg>
  );
}

function Rows({
  title,
  rows,
  of,
  say,
}: {
  title: string;
  rows: { id: string; name: string; value: number | null }[];
  of: Of;
  say: (value: number) => string;
}) {
  const shown = rows.filter((row) => row.value !== null);
  if (shown.length === 0) return null;
  const most = Math.max(...shown.map((row) => Math.abs(row.value!)));
  return (
    <table className="mt-3 w-full text-sm">
      <caption className="border-b border-ink pb-1 text-left font-semibold text-ink-2">
        {title} to {NAMES[of]}
      </caption>
      <tbody>
        {shown.map((row) => (
          <tr key={row.id} className="border-b border-steel-line">
            <th scope="row" className="max-w-36 truncate py-1 pr-2 text-left font-normal">
              {row.name}
            </th>
            <td className="w-30">
              <Bar value={row.value} most={most} />
            </td>
            <td className="figure py-1 text-right font-semibold whitespace-nowrap">{say(row.value!)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What each line and each step does to one figure: the product with it, less without it. */
export function WhatDoesWhat({
  content,
  forecast,
  contributions,
}: {
  content: FormulaContent;
  forecast: Forecast;
  contributions: { lines: Contribution[]; steps: Contribution[] };
}) {
  const { kitchen } = useSession();
  const [of, setOf] = useState<Of>('ph');
  const say = (value: number): string => {
    if (of === 'cost') return money(Math.round(value), kitchen.currency);
    if (of === 'millilitres') return `${value < 0 ? '−' : '+'}${volume(Math.abs(value), 0)}`;
    return signed(value, of === 'ph' ? 2 : 1);
  };
  const nameOfLine = new Map(forecast.lines.map((l) => [l.lineId, l.ingredient?.name ?? '']));
  return (
    <div className="mt-3">
      <div role="radiogroup" aria-label="Figure" className="flex gap-1">
        {(Object.keys(NAMES) as Of[]).map((id) => (
          <label
            key={id}
            className="cursor-pointer rounded-md px-3 py-1 text-sm font-semibold text-ink-2 has-checked:bg-rim-pale has-checked:text-link has-focus-visible:outline-3 has-focus-visible:outline-rim"
          >
            <input
              type="radio"
              name="figure"
              className="sr-only"
              checked={of === id}
              onChange={() => setOf(id)}
            />
            {NAMES[id]}
          </label>
        ))}
      </div>
      <Rows
        title="What each line does"
        of={of}
        say={say}
        rows={contributions.lines.map((c) => ({ id: c.id, name: nameOfLine.get(c.id) ?? '', value: c[of] }))}
      />
      <Rows
        title="What each step does"
        of={of}
        say={say}
        rows={contributions.steps.map((c) => ({
          id: c.id,
          name: content.steps.find((s) => s.id === c.id)?.title ?? '',
          value: c[of],
        }))}
      />
      {of === 'cost' && forecast.unpriced.length > 0 && (
        <p className="mt-3 text-sm text-ink-2">
          No price is known of {forecast.unpriced.map((n) => n.toLowerCase()).join(', ')}. Say what a kilogram
          costs under a line’s “Your own figures”.
        </p>
      )}
      {of === 'ph' && forecast.ph === null && <p className="mt-3 text-sm text-ink-2">{forecast.phWhy}</p>}
    </div>
  );
}
