import {
  AIM_KINDS,
  type AimKind,
  type FormulaContent,
  type SeveralAims as Found,
  saidGrams,
  timesSaid,
} from '@inch/core/formula';
import { money, weight } from '@inch/core/quantity';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Choice, Field } from '../../ui/Field.tsx';
import { State } from '../../ui/State.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { problemIn } from '../../ui/typed.ts';
import { type Bound, type Row, round, useAiming } from './useAiming.ts';

const NAMES: Record<AimKind, { name: string; digits: number }> = {
  ph: { name: 'pH', digits: 2 },
  brix: { name: 'Sugar, °Bx', digits: 1 },
  ta: { name: 'Acid, % as citric', digits: 2 },
  ratio: { name: '°Bx over acid', digits: 0 },
  aw: { name: 'Water activity', digits: 3 },
  bottles: { name: 'Bottles', digits: 1 },
  cost: { name: 'Cost to buy, at most', digits: 2 },
  days: { name: 'Days it keeps, at least', digits: 0 },
};

/** What the aims come to, each with whether it is met, and what stands against what. */
function Outcome({ found, minor }: { found: Found; minor: (value: number) => string }) {
  const shown = (aim: AimKind, value: number) =>
    aim === 'cost' ? minor(Math.round(value)) : value.toFixed(NAMES[aim].digits);
  return (
    <div>
      <ul className="border-t border-ink">
        {found.aims.map((aim) => (
          <li
            key={aim.aim}
            className="flex flex-wrap items-baseline gap-x-3 border-b border-steel-line py-1.5"
          >
            <State tone={aim.met ? 'go' : 'hold'}>{aim.met ? 'met' : 'not met'}</State>
            <span className="flex-1">{NAMES[aim.aim].name}</span>
            <span className="figure font-bold">
              {aim.reached === null ? 'not known' : shown(aim.aim, aim.reached)}
            </span>
            <span className="figure text-sm text-ink-2">
              {aim.low !== undefined &&
                `${shown(aim.aim, aim.low)} to ${shown(aim.aim, aim.high!)} at the outmost; `}
              wanted {shown(aim.aim, aim.value)}
            </span>
          </li>
        ))}
      </ul>
      {!found.reached && (
        <p className="mt-2 font-semibold text-hold">
          No amounts within these bounds do; this comes nearest. Let more lines change, or set the bounds
          wider.{' '}
          {found.against
            .map(([a, b]) => `${NAMES[a].name} and ${NAMES[b].name.toLowerCase()} stand against each other.`)
            .join(' ')}
        </p>
      )}
      {found.upperBound && (
        <p className="mt-2 text-sm text-ink-2">
          Something in it is not known: the pH holds with the most that it may bring. Make a bench trial with
          less.
        </p>
      )}
    </div>
  );
}

interface Asking {
  content: FormulaContent;
  take: (changes: { lineId: string; said: string }[]) => void;
  onClose: () => void;
}

function AimRows({ aiming: { rows, setRows } }: { aiming: ReturnType<typeof useAiming> }) {
  const set = (i: number, part: Partial<Row>) =>
    setRows(rows.map((row, n) => (n === i ? { ...row, ...part } : row)));
  return (
    <fieldset className="grid grid-cols-3 gap-4 max-sm:grid-cols-1">
      <legend className="sr-only">What it is to come to</legend>
      {rows.map((row, i) => (
        <div key={i} className="grid gap-1">
          <Choice
            label={`Aim ${i + 1}`}
            value={row.aim}
            onChange={(e) => set(i, { aim: e.target.value as AimKind | '' })}
            options={[['', 'none'], ...AIM_KINDS.map((aim) => [aim, NAMES[aim].name] as const)]}
          />
          {row.aim !== '' && (
            <Field
              label="comes to"
              aria-label={`Aim ${i + 1} comes to`}
              figure
              inputMode="decimal"
              value={row.text}
              error={problemIn(row.text)}
              onChange={(e) => set(i, { text: e.target.value })}
            />
          )}
        </div>
      ))}
    </fieldset>
  );
}

function BoundRows({
  aiming: { weighed, bounds, setBounds, solver },
}: {
  aiming: ReturnType<typeof useAiming>;
}) {
  const set = (id: string, part: Partial<Bound>) =>
    setBounds({ ...bounds, [id]: { ...bounds[id]!, ...part } });
  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-ink text-left text-sm text-ink-2">
          <th className="py-1 font-semibold">May change</th>
          <th className="text-right font-semibold">now</th>
          <th className="pl-3 font-semibold">from, g</th>
          <th className="pl-3 font-semibold">to, g</th>
          <th className="text-right font-semibold">comes to</th>
        </tr>
      </thead>
      <tbody>
        {weighed.map(({ lineId, ingredient, grams }) => {
          const bound = bounds[lineId]!;
          const now = solver.found?.grams[lineId];
          const cell =
            'figure w-24 rounded-md border border-steel-line bg-transparent px-1.5 py-0.5 hover:border-steel';
          return (
            <tr key={lineId} className="border-b border-steel-line">
              <td className="py-1">
                <Tick checked={bound.on} onChange={(e) => set(lineId, { on: e.target.checked })}>
                  {ingredient!.name}
                </Tick>
              </td>
              <td className="figure text-right">{weight(grams!)}</td>
              {(['low', 'high'] as const).map((end) => (
                <td key={end} className="pl-3">
                  <input
                    aria-label={`${ingredient!.name}, ${end === 'low' ? 'at least' : 'at most'}, g`}
                    className={cell}
                    inputMode="decimal"
                    disabled={!bound.on}
                    value={bound[end]}
                    onChange={(e) => set(lineId, { [end]: e.target.value })}
                  />
                </td>
              ))}
              <td className="figure text-right font-bold">{now === undefined ? '' : weight(round(now))}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Aiming({ content, take, onClose }: Asking) {
  const aiming = useAiming(content);
  const { solver, problem, setting, kitchen } = aiming;
  const changes = () =>
    content.lines.flatMap((line) => {
      const grams = solver.found?.grams[line.id];
      const now = aiming.weighed.find((l) => l.lineId === line.id)?.grams;
      if (grams === undefined || !now || Math.abs(grams - now) < 0.05) return [];
      const follows = line.basis && !['batch', 'cover'].includes(line.basis.per);
      const said = follows ? timesSaid(line, setting, grams / now) : null;
      return [{ lineId: line.id, said: said ?? saidGrams(round(grams)) }];
    });
  return (
    <form
      className="grid gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        event.stopPropagation();
        if (problem === null) aiming.ask();
      }}
    >
      <AimRows aiming={aiming} />
      <BoundRows aiming={aiming} />
      <Choice
        label="and of all that does"
        value={aiming.by}
        onChange={(e) => aiming.setBy(e.target.value as 'change')}
        options={[
          ['change', 'the least change'],
          ['cost', 'the cheapest batch'],
        ]}
      />
      <div aria-live="polite" className="min-h-10">
        {solver.waits && <p className="text-ink-2">Calculating…</p>}
        {solver.error && <p className="font-semibold text-stop">{solver.error}</p>}
        {solver.found && <Outcome found={solver.found} minor={(value) => money(value, kitchen.currency)} />}
        {!solver.waits && !solver.found && problem && <p className="text-ink-2">{problem}</p>}
      </div>
      <div className="flex justify-end gap-3">
        <Button tone="plain" onClick={onClose}>
          Cancel
        </Button>
        <Button
          type="submit"
          tone={solver.found ? 'plain' : 'main'}
          disabled={problem !== null || solver.waits}
        >
          Calculate
        </Button>
        {solver.found && (
          <Button
            disabled={changes().length === 0}
            onClick={() => {
              take(changes());
              onClose();
            }}
          >
            Use these amounts
          </Button>
        )}
      </div>
    </form>
  );
}

/** Two or three aims together, by several lines within bounds; taken into the formula with one press. */
export function SeveralAims({ content, take }: Omit<Asking, 'onClose'>) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button
        tone="plain"
        size="small"
        className="px-2 py-1.5 leading-tight whitespace-normal"
        onClick={() => setOpen(true)}
      >
        Several aims…
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} title="What would several aims take" wide>
        {open && <Aiming content={content} take={take} onClose={() => setOpen(false)} />}
      </Dialog>
    </>
  );
}
