import type { FormulaHead } from '@inch/contract/formula';
import type { Plan } from '@inch/contract/plan';
import type { Want } from '@inch/core/planning';
import { type Making, makingOf, partsFor, usualContainer } from '@inch/core/planning';
import { parseQuantity, toGrams } from '@inch/core/quantity';
import { useState } from 'react';
import { newId } from '../data/api.ts';
import type { Planning } from '../data/planning.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { grouped, plural, weight } from '../ui/format.ts';
import { figureIn } from '../ui/typed.ts';

type Item = Plan['items'][number];

interface Answers {
  formulaId: string;
  by: Want['by'];
  bottles: string;
  fruit: string;
  lineId: string;
  trimmed: boolean;
  containerId: string;
}

const WAYS: { by: Want['by']; says: string }[] = [
  { by: 'bottles', says: 'so many bottles wanted' },
  { by: 'fruit', says: 'the fruit in hand' },
  { by: 'stock', says: 'what is in stock' },
  { by: 'pan', says: 'the largest pan' },
];

function startFrom(formula: FormulaHead | undefined, planning: Planning, item?: Item): Answers {
  const want = item?.want;
  return {
    formulaId: item?.formulaId ?? formula?.id ?? '',
    by: want?.by ?? 'bottles',
    bottles: want?.by === 'bottles' ? String(want.bottles) : '24',
    fruit: want?.by === 'fruit' ? `${want.grams / 1000} kg` : '',
    lineId: want?.by === 'fruit' ? want.lineId : (formula?.content.lines[0]?.id ?? ''),
    trimmed: want?.by === 'fruit' ? want.trimmed : false,
    containerId: item?.containerId ?? (formula ? (usualContainer(formula, planning) ?? '') : ''),
  };
}

/** What sets the size as it was typed, or what is still asked. */
function wantOf(a: Answers, formula: FormulaHead, planning: Planning): Want | string {
  if (a.by === 'stock' || a.by === 'pan') return { by: a.by };
  if (a.by === 'bottles') {
    const bottles = figureIn(a.bottles, { unit: '', whole: true, min: 1 });
    return bottles === null ? 'How many bottles? A whole number.' : { by: 'bottles', bottles };
  }
  const line = formula.content.lines.find((l) => l.id === a.lineId);
  if (!line) return 'Of which line is it?';
  if (a.fruit.trim() === '') return 'How much of it is there? As in "11 kg".';
  try {
    const bare = /^[\d.,]+$/.test(a.fruit.trim());
    const { grams } = toGrams(
      parseQuantity(bare ? `${a.fruit} kg` : a.fruit),
      planning.catalogue.get(line.ingredientId),
      {
        cup: planning.kitchen.cupSchool ?? undefined,
        measures: planning.catalogue.measures,
      },
    );
    return grams > 0 ? { by: 'fruit', lineId: line.id, grams, trimmed: a.trimmed } : 'A number over 0.';
  } catch (error) {
    return (error as Error).message;
  }
}

function reckoned(a: Answers, planning: Planning): { making: Making; want: Want } | string {
  const formula = planning.formulas.find((f) => f.id === a.formulaId);
  if (!formula) return 'Of which formula?';
  const want = wantOf(a, formula, planning);
  if (typeof want === 'string') return want;
  try {
    const making = makingOf(formula, want, a.containerId || null, planning);
    return making.whole.scale > 0 ? { making, want } : 'Nothing of it is there yet.';
  } catch (error) {
    return (error as Error).message;
  }
}

/** What it comes to, before it is put into the plan. */
function ComesTo({ making }: { making: Making }) {
  const { whole, parting, memory } = making;
  return (
    <div className="border-l-4 border-rim py-1 pl-4">
      <p className="text-lg">
        <strong className="figure">{whole.bottles}</strong> bottles of {making.content.bottleMl} mL
        {whole.bottlesLow < whole.bottlesHigh && (
          <span className="text-ink-2">
            {' '}
            ({whole.bottlesLow} to {whole.bottlesHigh})
          </span>
        )}
        , <span className="figure">{grouped(whole.scale, 2)}</span> times the formula
      </p>
      <p className="text-sm text-ink-2">{whole.limit}.</p>
      {memory && <p className="mt-1 font-semibold">{memory.sentence}</p>}
      <p className="text-sm text-ink-2">
        {whole.losses[0]!.toUpperCase()}
        {whole.losses.slice(1)}.
      </p>
      {parting.lots > 1 && (
        <p className="mt-1">
          <strong>Split into {plural(parting.lots, 'lot')}</strong>: {parting.why.join('; ')}.
        </p>
      )}
    </div>
  );
}

function FruitFields({
  answers,
  set,
  planning,
}: {
  answers: Answers;
  set: (part: Partial<Answers>) => void;
  planning: Planning;
}) {
  const formula = planning.formulas.find((f) => f.id === answers.formulaId);
  return (
    <>
      <Choice label="Of what" value={answers.lineId} onChange={(e) => set({ lineId: e.target.value })}>
        {formula?.content.lines.map((line) => (
          <option key={line.id} value={line.id}>
            {planning.catalogue.find(line.ingredientId)?.name ?? line.ingredientId}
          </option>
        ))}
      </Choice>
      <Field
        label="How much is there"
        figure
        placeholder="11 kg"
        value={answers.fruit}
        onChange={(e) => set({ fruit: e.target.value })}
      />
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="size-5 accent-[var(--rim)]"
          checked={answers.trimmed}
          onChange={(e) => set({ trimmed: e.target.checked })}
        />{' '}
        weighed after trimming
      </label>
    </>
  );
}

/** A product put into a plan, or its size changed: what sets it, and what that comes to, as it is typed. */
export function ProductForm({
  planning,
  item,
  busy,
  save,
  onClose,
}: {
  planning: Planning;
  item?: Item;
  busy: boolean;
  save: (item: Item) => void;
  onClose: () => void;
}) {
  const formulas = planning.formulas.filter((f) => !f.archived || f.id === item?.formulaId);
  const [answers, setAnswers] = useState(() =>
    startFrom(formulas.find((f) => f.id === item?.formulaId) ?? formulas[0], planning, item),
  );
  const set = (part: Partial<Answers>) => setAnswers({ ...answers, ...part });
  const found = reckoned(answers, planning);
  const submit = () => {
    if (typeof found === 'string') return;
    const id = item?.id ?? newId();
    const begun = item?.parts.filter((p) => p.lot) ?? [];
    const fresh = partsFor(found.making, found.want, (n) => `${id.slice(-8)}-${begun.length + n}`);
    save({
      id,
      formulaId: answers.formulaId,
      want: found.want,
      containerId: answers.containerId || null,
      priceMinor: item?.priceMinor ?? null,
      bought: item?.bought ?? null,
      parts: begun.length > 0 ? item!.parts : fresh,
    });
  };
  return (
    <Dialog open onClose={onClose} title={item ? 'Change size' : 'Add a product to the plan'}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <Choice
          label="Product"
          value={answers.formulaId}
          disabled={item !== undefined}
          onChange={(e) => {
            const formula = formulas.find((f) => f.id === e.target.value)!;
            setAnswers({
              ...answers,
              formulaId: formula.id,
              lineId: formula.content.lines[0]?.id ?? '',
              containerId: usualContainer(formula, planning) ?? '',
            });
          }}
        >
          {formulas.map((f) => (
            <option key={f.id} value={f.id}>
              {f.name}
            </option>
          ))}
        </Choice>
        <div className="grid grid-cols-2 gap-4 max-sm:grid-cols-1">
          <Choice
            label="Size set by"
            value={answers.by}
            onChange={(e) => set({ by: e.target.value as Want['by'] })}
          >
            {WAYS.map((way) => (
              <option key={way.by} value={way.by}>
                {way.says}
              </option>
            ))}
          </Choice>
          <Choice
            label="Filled into"
            value={answers.containerId}
            onChange={(e) => set({ containerId: e.target.value })}
          >
            <option value="">not said yet</option>
            {planning.containers
              .filter((c) => !c.retired || c.id === item?.containerId)
              .map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name}, {c.nominalMl} mL
                </option>
              ))}
          </Choice>
          {answers.by === 'bottles' && (
            <Field
              label="Bottles wanted"
              figure
              inputMode="numeric"
              value={answers.bottles}
              onChange={(e) => set({ bottles: e.target.value })}
            />
          )}
          {answers.by === 'fruit' && <FruitFields answers={answers} set={set} planning={planning} />}
        </div>
        {typeof found === 'string' ? (
          <p className="font-semibold text-hold">{found}</p>
        ) : (
          <ComesTo making={found.making} />
        )}
        <div className="flex justify-end gap-3">
          <Button tone="plain" onClick={onClose}>
            Cancel
          </Button>
          <Button type="submit" disabled={busy || typeof found === 'string'}>
            {item ? 'Save' : 'Add product'}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

/** "36 bottles wanted", "11.0 kg of damsons in hand". */
export function wantSaid(want: Want, making: Making | null): string {
  if (want.by === 'bottles') return `${want.bottles} bottles wanted`;
  if (want.by === 'stock') return 'as much as stock allows';
  if (want.by === 'pan') return 'as much as the largest pan takes';
  const name = making?.whole.lines.find((l) => l.lineId === want.lineId)?.name.toLowerCase() ?? 'it';
  return `${weight(want.grams)} of ${name} in hand${want.trimmed ? ', trimmed' : ''}`;
}
