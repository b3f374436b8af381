import type { Contribution, Forecast, FormulaLine, FormulaStep } from '@inch/core/formula';
import { unitsNow, weight } from '@inch/core/quantity';
import { MoreHorizontal } from 'lucide-react';
import { type KeyboardEvent, memo, useCallback, useMemo, useState } from 'react';
import { useCatalogue } from '../data/catalogue.ts';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { Button } from '../ui/Button.tsx';
import { Menu } from '../ui/Menu.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Sortable, SortableRow } from '../ui/Sortable.tsx';
import type { Change, Draft } from './draft.ts';
import { BasisChoice, GoesInAt, howWeighed, InItsPlace, type Named, Question } from './line/LineDetails.tsx';
import { LineDialog, type LineQuestion } from './line/LineDialog.tsx';

interface Props {
  draft: Draft;
  forecast: Forecast;
  change: (change: Change) => void;
  contributions: readonly Contribution[];
}

const COLUMNS =
  'grid grid-cols-[1.75rem_7.5rem_1fr_6.5rem_3.6rem_3.8rem_2.25rem] items-center gap-x-1.5 max-sm:grid-cols-[1.75rem_6.5rem_1fr_2.25rem]';

/** A change with its sign: +0.03, −2.1, or a dash where there is nothing to say. */
export const signed = (value: number | null | undefined, digits: number): string => {
  if (value === null || value === undefined) return '–';
  const size = Math.abs(value).toFixed(digits);
  return Number(size) === 0 ? size : `${value < 0 ? '−' : '+'}${size}`;
};

interface RowProps {
  line: FormulaLine;
  index: number;
  count: number;
  amount: Forecast['lines'][number];
  cautions: readonly string[];
  brings: Contribution | undefined;
  role: string | undefined;
  named: readonly Named[];
  steps: readonly FormulaStep[];
  /** Part of the recipe that begins with it, "for the syrup". */
  heading: string | undefined;
  change: Props['change'];
  ask: (question: LineQuestion, lineId: string) => void;
}

function RowMenu({ line, index, count, amount, change, ask }: RowProps) {
  const known = amount.ingredient !== null;
  const move = (to: number) => change({ do: 'move line', id: line.id, to });
  return (
    <Menu
      label={`Line ${index + 1}, more`}
      actions={[
        {
          name: 'Something like it instead…',
          act: () => ask('interchange', line.id),
          disabled: !known || amount.grams === null,
        },
        { name: 'The same with another…', act: () => ask('swap', line.id), disabled: !known },
        {
          name: 'Weigh your measure of it…',
          act: () => ask('measure', line.id),
          disabled: !known,
          apart: true,
        },
        { name: 'Your own figures of it…', act: () => ask('figures', line.id), disabled: !known },
        { name: 'Move up', act: () => move(index - 1), disabled: index === 0, apart: true },
        { name: 'Move down', act: () => move(index + 1), disabled: index === count - 1 },
        { name: 'Remove the line', act: () => change({ do: 'drop line', id: line.id }), apart: true },
      ]}
    >
      <MoreHorizontal size={18} aria-hidden="true" />
    </Menu>
  );
}

function Under({ line, index, amount, cautions, role, named, steps, change }: RowProps) {
  const n = index + 1;
  const catalogue = useCatalogue();
  const nameOf = (id: string) => catalogue.find(id)?.name.toLowerCase() ?? 'something unknown';
  const how = [howWeighed(amount), role].filter(Boolean).join(' · ');
  return (
    <div className="pl-9">
      <div className="flex flex-wrap items-center gap-x-2 text-sm text-ink-2">
        <BasisChoice id={line.id} n={n} basis={line.basis} named={named} change={change} />
        <span aria-hidden="true">·</span>
        <GoesInAt id={line.id} n={n} stepId={line.stepId} steps={steps} change={change} />
        {how && <span className="basis-full px-1 sm:basis-auto">{how}</span>}
      </div>
      <div className="px-1">
        <Question line={line} amount={amount} change={change} />
        <InItsPlace line={line} nameOf={nameOf} change={change} />
        {cautions.map((text) => (
          <p key={text} className="text-sm font-semibold text-hold">
            {text}
          </p>
        ))}
      </div>
    </div>
  );
}

/** A row is drawn anew only when something of its own changed: a formula of 25 lines stays quick under the hand. */
const LineRow = memo(
  function LineRow(props: RowProps) {
    const { line, index, amount, brings, change } = props;
    const n = index + 1;
    const follows = line.basis?.per === 'line' || line.basis?.per === 'yield';
    const byKeys = (e: KeyboardEvent) => {
      if (!e.altKey || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return;
      e.preventDefault();
      change({ do: 'move line', id: line.id, to: index + (e.key === 'ArrowUp' ? -1 : 1) });
    };
    return (
      <SortableRow id={line.id} handle={`Line ${n}, move`} className="border-b border-steel-line py-1">
        {(grip) => (
          <>
            {props.heading && (
              <p className="px-2 pt-1 text-sm font-bold first-letter:uppercase">{props.heading}</p>
            )}
            <div className={COLUMNS}>
              {grip}
              <input
                aria-label={`Line ${n}, amount as you say it`}
                value={line.said}
                onChange={(e) => change({ do: 'line', id: line.id, change: { said: e.target.value } })}
                onKeyDown={byKeys}
                placeholder={
                  follows ? 'half, 1:2, 200 g' : line.basis?.per === 'cover' ? 'to cover' : '2 cups'
                }
                className="min-w-0 rounded-md border border-transparent bg-transparent px-2 py-1 font-semibold hover:border-steel focus:border-steel"
              />
              <IngredientPicker
                label={`Line ${n}, ingredient`}
                value={line.ingredientId}
                onChoose={(ingredientId) => change({ do: 'line', id: line.id, change: { ingredientId } })}
              />
              <span className="figure text-right text-[14px] whitespace-nowrap max-sm:hidden">
                {amount.grams === null ? '–' : weight(amount.grams)}
              </span>
              <span className="figure text-right text-sm text-ink-2 max-sm:hidden">
                {signed(brings?.ph, 2)}
              </span>
              <span className="figure text-right text-sm text-ink-2 max-sm:hidden">
                {signed(brings?.brix, 1)}
              </span>
              <RowMenu {...props} />
            </div>
            <Under {...props} />
          </>
        )}
      </SortableRow>
    );
  },
  (before, after) =>
    before.line === after.line &&
    before.index === after.index &&
    before.count === after.count &&
    before.role === after.role &&
    before.named === after.named &&
    before.steps === after.steps &&
    before.heading === after.heading &&
    before.ask === after.ask &&
    before.amount.ingredient === after.amount.ingredient &&
    shownIn(before) === shownIn(after),
);

/** What a row says of its figures, as it is said: a change too small to be seen draws nothing. */
const shownIn = ({ amount, brings, cautions }: RowProps): string =>
  [
    amount.grams === null ? '–' : weight(amount.grams),
    howWeighed(amount),
    amount.asks,
    signed(brings?.ph, 2),
    signed(brings?.brix, 1),
    ...cautions,
  ].join('|');

function useNamed(lines: readonly FormulaLine[]): readonly Named[] {
  const catalogue = useCatalogue();
  const key = lines.map((l) => `${l.id} ${l.ingredientId}`).join('|');
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key is all of the lines that the names come from
  return useMemo(
    () =>
      lines.flatMap((l) => {
        const entry = catalogue.find(l.ingredientId);
        return entry ? [{ id: l.id, name: entry.name.toLowerCase() }] : [];
      }),
    [key, catalogue],
  );
}

/** The lines as the cook says them, each by its basis, with grams beside and what it brings. */
export function Lines({ draft, forecast, change, contributions }: Props) {
  const { lines } = draft.content;
  const [asked, setAsked] = useState<{ question: LineQuestion; lineId: string } | null>(null);
  const named = useNamed(lines);
  const ask = useCallback((question: LineQuestion, lineId: string) => setAsked({ question, lineId }), []);
  const place = (id: string) => `Line ${lines.findIndex((l) => l.id === id) + 1}`;
  return (
    <Ruled title="What goes in, as you say it">
      <div
        aria-hidden="true"
        className={`${COLUMNS} border-b border-steel-line py-1 text-xs font-semibold text-ink-2 max-sm:hidden`}
      >
        <span />
        <span />
        <span />
        <span className="text-right">{unitsNow().weight === 'us' ? 'weight' : 'grams'}</span>
        <span className="text-right">to pH</span>
        <span className="text-right">to °Bx</span>
      </div>
      <Sortable
        ids={lines.map((l) => l.id)}
        move={(id, to) => change({ do: 'move line', id, to })}
        nameOf={place}
      >
        <ul>
          {lines.map((line, i) => (
            <LineRow
              key={line.id}
              line={line}
              index={i}
              count={lines.length}
              amount={forecast.lines[i]!}
              brings={contributions[i]}
              cautions={forecast.cautions.filter((c) => c.lineId === line.id).map((c) => c.text)}
              role={forecast.sugarRoles[line.id]}
              named={named}
              steps={draft.content.steps}
              heading={line.heading === lines[i - 1]?.heading ? undefined : line.heading}
              change={change}
              ask={ask}
            />
          ))}
        </ul>
      </Sortable>
      <Button
        tone="quiet"
        size="small"
        className="mt-2 group-disabled:hidden"
        onClick={() => change({ do: 'add line' })}
      >
        Add a line
      </Button>
      {asked && (
        <LineDialog
          question={asked.question}
          lineId={asked.lineId}
          draft={draft}
          forecast={forecast}
          change={change}
          onClose={() => setAsked(null)}
        />
      )}
    </Ruled>
  );
}
