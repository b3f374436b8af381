import { type MemoryOf, type PastLot, type PastSpread, spreadOf, yieldMemory } from '@inch/core/planning';
import { plural, yieldShown, yieldSign } from '@inch/core/quantity';
import { Link } from 'react-router';
import { type Planning, usePlanning, usePlanningFault } from '../data/planning.ts';
import { dayMonthYear } from '../ui/dates.ts';
import { Empty, Sheet } from '../ui/Sheet.tsx';
import { Fruit } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { PlanNav } from './PlanNav.tsx';

/** Figures of past lots on a short rule: a dot each, the middle as a long tick, most of them as a band. */
function Strip({
  spread,
  low,
  high,
  colour,
  said,
}: {
  spread: PastSpread;
  low: number;
  high: number;
  colour: string;
  said: string;
}) {
  const width = 220;
  const x = (v: number) => 8 + ((v - low) / Math.max(high - low, 1e-9)) * (width - 16);
  return (
    <svg
      viewBox={`0 0 ${width} 34`}
      width={width}
      height="34"
      role="img"
      aria-label={said}
      className="max-w-full"
    >
      <line x1="4" x2={width - 4} y1="24" y2="24" stroke="var(--steel)" strokeWidth="1.5" />
      {Array.from({ length: 11 }, (_, i) => (
        <line
          key={`tick ${low + i}`}
          x1={8 + (i / 10) * (width - 16)}
          x2={8 + (i / 10) * (width - 16)}
          y1="24"
          y2={i % 5 === 0 ? 32 : 28}
          stroke="var(--steel)"
        />
      ))}
      <rect
        x={x(spread.low)}
        width={Math.max(2, x(spread.high) - x(spread.low))}
        y="10"
        height="14"
        fill={colour}
        opacity="0.22"
      />
      {spread.values.map((v, i) => (
        <circle key={`${i} ${v}`} cx={x(v)} cy="17" r="4.2" fill={colour} stroke="var(--enamel)" />
      ))}
      <line
        x1={x(spread.middle)}
        x2={x(spread.middle)}
        y1="4"
        y2="26"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
    </svg>
  );
}

const FIGURES: {
  name: string;
  unit: () => string;
  digits: number;
  of: (p: PastLot) => number | null;
  times?: number;
}[] = [
  {
    name: 'Strained',
    unit: () => (yieldSign() === 'L per kg' ? 'kg per kg' : 'lb per lb'),
    digits: 2,
    of: (p) => p.juicePerKg,
  },
  { name: 'In bottles', unit: yieldSign, digits: 2, of: (p) => yieldShown(p.litresPerKg) },
  { name: 'Of the forecast', unit: () => '%', digits: 0, of: (p) => p.ofPromised, times: 100 },
  { name: 'Lost in trimming', unit: () => '%', digits: 1, of: (p) => p.trimLoss, times: 100 },
  { name: 'Boiled off', unit: () => 'g a minute', digits: 0, of: (p) => p.boiledOff },
];

function FigureRow({
  figure,
  lots,
  colour,
}: {
  figure: (typeof FIGURES)[number];
  lots: readonly PastLot[];
  colour: string;
}) {
  const values = lots.flatMap((p) => {
    const v = figure.of(p);
    return v === null ? [] : [v * (figure.times ?? 1)];
  });
  const spread = spreadOf(values);
  if (!spread) return null;
  const at = (v: number) => v.toFixed(figure.digits);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const pad = Math.max((most - least) * 0.25, Math.abs(spread.middle) * 0.05, 1e-6);
  const said = `${figure.name}: ${at(spread.middle)} ${figure.unit()}, ${at(spread.low)} to ${at(spread.high)}, ${plural(spread.count, 'lot')}`;
  return (
    <li className="grid grid-cols-[11rem_14.500rem_1fr] items-center gap-x-5 border-b border-steel-line py-1 max-md:grid-cols-1">
      <span className="text-ink-2">{figure.name}</span>
      <Strip spread={spread} low={least - pad} high={most + pad} colour={colour} said={said} />
      <span>
        <strong className="figure">
          {at(spread.middle)} {figure.unit()}
        </strong>
        {spread.count > 1 && (
          <span className="figure text-sm text-ink-2">
            {' '}
            {at(spread.low)} to {at(spread.high)}
          </span>
        )}
      </span>
    </li>
  );
}

const OF: Record<MemoryOf, string> = {
  'this formula': 'of this formula',
  'this fruit, drawn alike': 'of this fruit, drawn alike',
  'this fruit': 'of this fruit',
};

function FormulaYield({ formulaId, planning }: { formulaId: string; planning: Planning }) {
  const own = planning.past.filter((p) => p.formulaId === formulaId);
  const last = own.at(-1)!;
  const memory = yieldMemory(planning.past, last);
  const formula = planning.formulas.find((f) => f.id === formulaId);
  if (!memory) return null;
  const colour = formula?.colour ?? '#4A5468';
  return (
    <section aria-label={last.name} className="border-b border-ink py-5">
      <h2 className="flex flex-wrap items-center gap-x-3 text-xl font-bold">
        <Fruit colour={colour} size={16} /> {formula?.name ?? last.name}
        <span className="text-base font-normal text-ink-2">
          {last.ingredient.toLowerCase()}
          {last.method !== 'mixed' && `, ${last.method}`}
        </span>
      </h2>
      <p className="mt-1 text-lg">{memory.sentence}</p>
      <ul className="mt-2">
        {FIGURES.map((figure) => (
          <FigureRow key={figure.name} figure={figure} lots={memory.lots} colour={colour} />
        ))}
      </ul>
      <p className="mt-2 text-sm text-ink-2">
        The last {plural(memory.lots.length, 'lot')} {OF[memory.of]}:{' '}
        {memory.lots.map((p, i) => (
          <span key={p.lotId}>
            {i > 0 && ', '}
            <Link className="figure text-link underline" to={`/records/${p.code}`}>
              {p.code}
            </Link>{' '}
            {dayMonthYear(p.begunAt)}, {plural(p.bottles, 'bottle')}
          </span>
        ))}
        .
      </p>
    </section>
  );
}

/** What past lots gave, by product: the distribution that the next plan is reckoned with. */
export function Yields() {
  const planning = usePlanning();
  const fault = usePlanningFault();
  if (!planning) return <Unread title="Past yields" {...fault} />;
  const formulas = [...new Set([...planning.past].reverse().map((p) => p.formulaId))];
  return (
    <Sheet>
      <PlanNav />
      <h1>Past yields</h1>
      <p className="mt-1 text-ink-2">
        What your last lots gave sets the size of the next one, and how long it takes.
      </p>
      {formulas.length === 0 && (
        <Empty title="Nothing bottled yet">
          From the first lot on, what it gave is remembered: litres to the kilo, what trimming took, what was
          bottled of what was forecast.
        </Empty>
      )}
      {formulas.map((id) => (
        <FormulaYield key={id} formulaId={id} planning={planning} />
      ))}
    </Sheet>
  );
}
