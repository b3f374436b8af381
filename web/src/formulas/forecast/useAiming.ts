import { type AimKind, type FormulaContent, lineAmounts } from '@inch/core/formula';
import { isAcidifier } from '@inch/core/ingredient';
import { readPrice } from '@inch/core/quantity';
import { useState } from 'react';
import { useSession } from '../../data/session.tsx';
import { useSetting } from '../../data/useSetting.ts';
import { figureIn } from '../../ui/typed.ts';
import { useSeveralAims } from './useSeveralAims.ts';

export interface Row {
  aim: AimKind | '';
  text: string;
}

/** A line that may change, with its bounds as typed. */
export interface Bound {
  on: boolean;
  low: string;
  high: string;
}

/** g as they are weighed. */
export const round = (grams: number): number => Number(grams.toFixed(grams < 20 ? 1 : 0));

/** The form: one to three aims, one to five lines with bounds, the least change or the cheapest. */
export function useAiming(content: FormulaContent) {
  const setting = useSetting();
  const { kitchen } = useSession();
  const solver = useSeveralAims(content);
  const weighed = lineAmounts(content, setting, setting.elevationMetres).filter(
    (l) => l.ingredient && l.grams,
  );
  const [rows, setRows] = useState<Row[]>([
    { aim: 'brix', text: '' },
    { aim: 'ph', text: '' },
    { aim: '', text: '' },
  ]);
  const [by, setBy] = useState<'change' | 'cost'>('change');
  const [bounds, setBounds] = useState<Record<string, Bound>>(() =>
    Object.fromEntries(
      weighed.map((l) => [
        l.lineId,
        {
          on: l.ingredient!.family === 'sugar' || isAcidifier(l.ingredient!),
          low: '0',
          high: String(round(Math.max(10, 3 * l.grams!))),
        },
      ]),
    ),
  );
  const wantedOf = (row: Row): number | null => {
    if (row.text.trim() === '') return null;
    return row.aim === 'cost' ? (readPrice(row.text, kitchen.currency).minor ?? null) : figureIn(row.text);
  };
  const aims = rows.flatMap((row) => {
    const value = wantedOf(row);
    return row.aim === '' || value === null ? [] : [{ aim: row.aim, value }];
  });
  const lines = weighed.flatMap((l) => {
    const bound = bounds[l.lineId];
    const [low, high] = [figureIn(bound?.low ?? ''), figureIn(bound?.high ?? '')];
    return bound?.on && low !== null && high !== null ? [{ lineId: l.lineId, low, high }] : [];
  });
  const problem =
    aims.length === 0
      ? 'Write what one aim at least is to come to.'
      : new Set(aims.map((a) => a.aim)).size < aims.length
        ? 'Each aim is chosen once.'
        : lines.length === 0
          ? 'Choose one to five lines that may change.'
          : lines.length > 5
            ? 'At most five lines may change at once.'
            : lines.some((l) => l.low > l.high)
              ? 'From the lower amount to the higher.'
              : null;
  return {
    setting,
    kitchen,
    solver,
    weighed,
    rows,
    setRows,
    by,
    setBy,
    bounds,
    setBounds,
    problem,
    ask: () => solver.solve({ aims, lines, by }),
  };
}
