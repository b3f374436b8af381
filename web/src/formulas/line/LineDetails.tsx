import {
  type Basis,
  basisWords,
  type Forecast,
  type FormulaLine,
  type FormulaStep,
} from '@inch/core/formula';
import { weight } from '@inch/core/quantity';
import { memo } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { dayMonthYear } from '../../ui/dates.ts';
import type { Change } from '../draft.ts';

const quiet =
  'max-w-52 truncate rounded-md border border-transparent bg-transparent py-0.5 text-sm text-ink-2 [field-sizing:content] hover:border-steel focus:border-steel';

const basisKey = (basis: Basis | undefined): string => {
  if (!basis || basis.per === 'batch') return 'batch';
  if (basis.per === 'bottle') return basis.fills ? 'fills' : 'bottle';
  if (basis.per === 'cover') return 'cover';
  if (basis.each !== undefined) return 'each';
  return basis.per === 'yield' ? `yield ${basis.by}` : `line ${basis.by} ${basis.lineId}`;
};
function basisFrom(value: string, now: Basis | undefined): Basis | undefined {
  if (value === 'each') return now;
  const [per, by, lineId] = value.split(' ') as [string, 'weight' | 'volume', string];
  if (per === 'bottle' || per === 'cover') return { per };
  if (per === 'fills') return { per: 'bottle', fills: true };
  if (per === 'yield') return { per, by };
  return per === 'line' ? { per, by, lineId } : undefined;
}

/** What a line may follow: the others by their names. */
export interface Named {
  id: string;
  name: string;
}

interface Choosing {
  id: string;
  n: number;
  change: (change: Change) => void;
}

/** What an amount is told by: the batch, another line, the juice, or each bottle. */
export const BasisChoice = memo(function BasisChoice({
  id,
  n,
  basis,
  named,
  change,
}: Choosing & { basis: Basis | undefined; named: readonly Named[] }) {
  const others = named.filter((other) => other.id !== id);
  const nameOf = (lineId: string) =>
    named.find((other) => other.id === lineId)?.name ?? 'a line that is gone';
  return (
    <select
      aria-label={`Line ${n}, measured by`}
      value={basisKey(basis)}
      onChange={(e) => change({ do: 'line', id, change: { basis: basisFrom(e.target.value, basis) } })}
      className={quiet}
    >
      <option value="batch">in the batch</option>
      <option value="bottle">in each bottle</option>
      <option value="fills">in each bottle, to the headspace</option>
      <option value="cover">enough to cover</option>
      {basisKey(basis) === 'each' && <option value="each">{basisWords(basis, nameOf).trim()}</option>}
      <option value="yield volume">per litre of the juice</option>
      <option value="yield weight">of the juice, by weight</option>
      {others.map((other) => (
        <option key={`w ${other.id}`} value={`line weight ${other.id}`}>
          of {other.name}, by weight
        </option>
      ))}
      {others.map((other) => (
        <option key={`v ${other.id}`} value={`line volume ${other.id}`}>
          of {other.name}, by volume
        </option>
      ))}
    </select>
  );
});

/** The step at which a line goes in. */
export const GoesInAt = memo(function GoesInAt({
  id,
  n,
  stepId,
  steps,
  change,
}: Choosing & { stepId: string | undefined; steps: readonly FormulaStep[] }) {
  return (
    <select
      aria-label={`Line ${n}, goes in at`}
      value={stepId ?? steps[0]?.id ?? ''}
      onChange={(e) => change({ do: 'line', id, change: { stepId: e.target.value } })}
      className={quiet}
    >
      {steps.map((step, i) => (
        <option key={step.id} value={step.id}>
          {i + 1} {step.title}
        </option>
      ))}
    </select>
  );
});

/** "8 oz" answered: the words say from then on which ounce was meant. */
const answered = (said: string, by: 'weight' | 'volume') =>
  said.replace(/\b(ounces?|ozs?)\b\.?/i, by === 'weight' ? 'oz wt' : 'fl oz');

/** What a line still asks, with the answers where they are two words. */
export function Question({
  line,
  amount,
  change,
}: {
  line: FormulaLine;
  amount: Forecast['lines'][number];
  change: (change: Change) => void;
}) {
  if (!amount.asks || (line.said === '' && line.ingredientId === '')) return null;
  const set = (said: string) => change({ do: 'line', id: line.id, change: { said } });
  return (
    <p className="flex flex-wrap items-center gap-2 text-sm font-semibold text-hold" role="status">
      {amount.asks}
      {amount.askKind === 'weight-or-volume' && (
        <>
          <Button size="small" tone="plain" onClick={() => set(answered(line.said, 'weight'))}>
            by weight
          </Button>
          <Button size="small" tone="plain" onClick={() => set(answered(line.said, 'volume'))}>
            by volume
          </Button>
        </>
      )}
      {amount.askKind === 'cup-school' && (
        <Link to="/kitchen" className="text-link underline">
          Kitchen settings
        </Link>
      )}
    </p>
  );
}

/** What else would do in a line's place, a press away; and that it may be left out. */
export function InItsPlace({
  line,
  nameOf,
  change,
}: {
  line: FormulaLine;
  nameOf: (ingredientId: string) => string;
  change: (change: Change) => void;
}) {
  const { said, ingredientId, or = [] } = line;
  const take = (i: number) =>
    change({
      do: 'line',
      id: line.id,
      change: { ...or[i]!, or: or.with(i, { said, ingredientId }) },
    });
  if (or.length === 0 && !line.optional) return null;
  return (
    <p className="flex flex-wrap items-center gap-2 text-sm text-ink-2">
      {line.optional && <span>May be left out.</span>}
      {or.map((other, i) => (
        <Button key={`${other.said} ${other.ingredientId}`} size="small" tone="plain" onClick={() => take(i)}>
          or {other.said} {nameOf(other.ingredientId)}
        </Button>
      ))}
    </p>
  );
}

/** How the grams were come by: the measure assumed, the range said, what trimming leaves. */
export function howWeighed(amount: Forecast['lines'][number]): string {
  const said: string[] = [];
  if (amount.range) said.push(`${weight(amount.range[0])} to ${weight(amount.range[1])}`);
  if (amount.grams !== null && amount.used !== null && amount.used < amount.grams - 0.05)
    said.push(`${weight(amount.used)} after trimming`);
  if (amount.assumption) said.push(amount.assumption);
  const { own } = amount.ingredient ?? {};
  if (own)
    said.push(own.from === 'measured' ? `as you measured it on ${dayMonthYear(own.on)}` : 'from its label');
  return said.join(' · ');
}
