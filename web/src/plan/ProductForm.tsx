import type { Plan } from '@inch/contract/kitchen/plan';
import type { FormulaHead } from '@inch/contract/making/formula';
import type { Want } from '@inch/core/planning';
import { type Making, makingOf, partsFor, usualContainer } from '@inch/core/planning';
import {
  bottleSize,
  grouped,
  parseQuantity,
  plural,
  signedWeight,
  toGrams,
  weight,
} from '@inch/core/quantity';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { newId } from '../data/api.ts';
import type { Planning } from '../data/planning.ts';
import { Dialog } from '../ui/Dialog.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { Tick } from '../ui/Tick.tsx';
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
    const { grams } = toGrams(
      parseQuantity(signedWeight(a.fruit, 'heavy')),
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

function sized(a: Answers, planning: Planning): { making: Making; want: Want } | string {
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
        <strong className="figure">{whole.bottles}</strong> bottles of {bottleSize(making.content.bottleMl)}
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

interface Props {
  planning: Planning;
  item?: Item;
  busy: boolean;
  save: (item: Item) => void;
  onClose: () => void;
}

/** The product as it goes into the plan: lots that were begun stay as they are. */
function itemOf(a: Answers, found: { making: Making; want: Want }, item: Item | undefined): Item {
  const id = item?.id ?? newId();
  const begun = item?.parts.filter((p) => p.lot) ?? [];
  const fresh = partsFor(found.making, found.want, (n) => `${id.slice(-8)}-${begun.length + n}`);
  return {
    id,
    formulaId: a.formulaId,
    want: found.want,
    containerId: a.containerId || null,
    priceMinor: item?.priceMinor ?? null,
    bought: item?.bought ?? null,
    parts: begun.length > 0 ? item!.parts : fresh,
  };
}

const isAsking = (found: ReturnType<typeof sized>): found is string => typeof found === 'string';

/** The form of a product: its sizes are worked out anew at every letter, so what is missing is said at once. */
function useProduct({ planning, item, save }: Props) {
  const formulas = planning.formulas.filter((f) => !f.archived || f.id === item?.formulaId);
  const [empty] = useState(() =>
    startFrom(formulas.find((f) => f.id === item?.formulaId) ?? formulas[0], planning, item),
  );
  const form = useForm<Answers>({ defaultValues: empty });
  const answers = form.watch();
  const found = sized(answers, planning);
  const choose = (formulaId: string) => {
    const formula = formulas.find((f) => f.id === formulaId)!;
    form.setValue('lineId', formula.content.lines[0]?.id ?? '');
    form.setValue('containerId', usualContainer(formula, planning) ?? '');
  };
  const submit = form.handleSubmit((a) => {
    if (!isAsking(found)) save(itemOf(a, found, item));
  });
  return { formulas, answers, found, choose, submit, register: form.register };
}
type Product = ReturnType<typeof useProduct>;

function FruitFields({ product, planning }: { product: Product; planning: Planning }) {
  const { answers, register } = product;
  const formula = planning.formulas.find((f) => f.id === answers.formulaId);
  return (
    <>
      <Choice
        label="Of what"
        {...register('lineId')}
        options={formula?.content.lines.map((line) => [
          line.id,
          planning.catalogue.find(line.ingredientId)?.name ?? line.ingredientId,
        ])}
      />
      <Field label="How much is there" figure placeholder="11 kg" {...register('fruit')} />
      <Tick className="min-h-6" {...register('trimmed')}>
        weighed after trimming
      </Tick>
    </>
  );
}

function SizeFields({ product, planning, item }: { product: Product; planning: Planning; item?: Item }) {
  const { answers, register } = product;
  return (
    <div className="grid grid-cols-2 gap-4 max-sm:grid-cols-1">
      <Choice label="Size set by" {...register('by')} options={WAYS.map((way) => [way.by, way.says])} />
      <Choice
        label="Filled into"
        {...register('containerId')}
        options={[
          ['', 'not said yet'],
          ...planning.containers
            .filter((c) => !c.retired || c.id === item?.containerId)
            .map((c) => [c.id, `${c.name}, ${bottleSize(c.nominalMl)}`] as const),
        ]}
      />
      {answers.by === 'bottles' && (
        <Field label="Bottles wanted" figure inputMode="numeric" {...register('bottles')} />
      )}
      {answers.by === 'fruit' && <FruitFields product={product} planning={planning} />}
    </div>
  );
}

/** A product put into a plan, or its size changed: what sets it, and what that comes to, as it is typed. */
export function ProductForm(props: Props) {
  const { planning, item, busy, onClose } = props;
  const product = useProduct(props);
  const { found, register } = product;
  return (
    <Dialog open onClose={onClose} title={item ? 'Change size' : 'Add a product to the plan'}>
      <form className="grid gap-4" onSubmit={product.submit}>
        <Choice
          label="Product"
          disabled={item !== undefined}
          {...register('formulaId', { onChange: (event) => product.choose(event.target.value) })}
          options={product.formulas.map((f) => [f.id, f.name])}
        />
        <SizeFields product={product} planning={planning} {...(item ? { item } : {})} />
        {isAsking(found) ? (
          <p role="status" className="font-semibold text-hold">
            {found}
          </p>
        ) : (
          <ComesTo making={found.making} />
        )}
        <FormEnd onCancel={onClose} disabled={busy || isAsking(found)}>
          {item ? 'Save' : 'Add product'}
        </FormEnd>
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
