import { heatProcessRoutes } from '@inch/contract/making/heatProcess';
import type { Pack, ProductState } from '@inch/core/heat';
import { degrees, readFigure, volumeSign } from '@inch/core/quantity';
import { call } from '../../data/api.ts';
import { useCatalogue } from '../../data/catalogue.ts';
import type { FieldReader } from '../../data/fieldReader.ts';
import { useDeedForm } from '../../data/useDeedForm.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { Choice, Field } from '../../ui/Field.tsx';
import { FormEnd } from '../../ui/FormEnd.tsx';
import { WhenField } from '../../ui/WhenField.tsx';

const KINDS = ['syrup', 'cordial', 'shrub', 'concentrate', 'juice'] as const;

interface Band {
  toFeet: string;
  minutes: string;
}
const EMPTY = {
  name: '',
  source: '',
  readOn: '',
  kind: 'syrup',
  fruits: '',
  acids: '',
  brixFrom: '',
  brixTo: '',
  acidsRequired: '',
  spices: '',
  salt: 'no',
  state: '',
  pack: '',
  steam: 'no',
  highestPh: '',
  closure: 'two-piece-lid',
  largestMl: '475',
  headspaceInches: '0.5',
  method: 'boiling-water',
  restMinutes: '5',
  fill: '88',
  hold: '2',
  invert: '60',
  bands: [{ toFeet: '', minutes: '' }] as Band[],
};
type Form = typeof EMPTY;

/** Names of the catalogue, parted by commas, as their ids; a name may have a comma of its own, and what is not known is named. */
function useNamed(): (text: string) => { ids: string[]; unknown: string[] } {
  const catalogue = useCatalogue();
  const known = (name: string) => {
    const word = name.toLowerCase();
    return catalogue.all.find((e) => e.id === word || e.name.toLowerCase() === word || e.labelName === word)
      ?.id;
  };
  return (text) => {
    const parts = text
      .split(',')
      .map((part) => part.trim())
      .filter(Boolean);
    const found = { ids: [] as string[], unknown: [] as string[] };
    for (let i = 0; i < parts.length; ) {
      const two = known(parts.slice(i, i + 2).join(', '));
      const id = two ?? known(parts[i]!);
      if (id) found.ids.push(id);
      else found.unknown.push(parts[i]!);
      i += two ? 2 : 1;
    }
    return found;
  };
}

function Bands({
  bands,
  change,
  error,
}: {
  bands: Band[];
  change: (bands: Band[]) => void;
  error: string | undefined;
}) {
  const set = (i: number, part: Partial<Band>) =>
    change(bands.map((b, n) => (n === i ? { ...b, ...part } : b)));
  return (
    <fieldset className="col-span-full">
      <legend className="mb-1 text-sm font-semibold text-ink-2">Minutes by elevation</legend>
      {bands.map((band, i) => (
        <div key={i} className="mb-2 grid grid-cols-2 gap-3">
          <Field
            label={`Up to, ft (${i + 1})`}
            figure
            inputMode="numeric"
            value={band.toFeet}
            onChange={(e) => set(i, { toFeet: e.target.value })}
          />
          <Field
            label={`Minutes (${i + 1})`}
            figure
            inputMode="decimal"
            value={band.minutes}
            onChange={(e) => set(i, { minutes: e.target.value })}
          />
        </div>
      ))}
      <Button tone="quiet" size="small" onClick={() => change([...bands, { toFeet: '', minutes: '' }])}>
        Add a band
      </Button>
      {error && <p className="text-sm font-semibold text-stop">{error}</p>}
    </fieldset>
  );
}

function processFrom(f: Form, fields: FieldReader<Form>, named: ReturnType<typeof useNamed>) {
  const hot = f.method === 'hot-fill';
  const idsOf = (name: 'fruits' | 'acids' | 'spices') => {
    const { ids, unknown } = named(f[name]);
    if (unknown.length > 0) fields.problem(name, `Not in the catalogue: ${unknown.join(', ')}.`);
    return ids;
  };
  const brix = [fields.figure('brixFrom', { unit: '' }), fields.figure('brixTo', { unit: '' })];
  const holdMinutes = hot ? fields.figure('hold', { unit: 'min' }) : null;
  return {
    name: f.name,
    source: f.source,
    readOn: f.readOn || null,
    fruits: idsOf('fruits'),
    acids: idsOf('acids'),
    acidsRequired: requiredFrom(f.acidsRequired, fields, named),
    salt: f.salt === 'yes',
    spices: idsOf('spices'),
    state: (f.state || null) as ProductState | null,
    pack: (f.pack || null) as Pack | null,
    products: [f.kind],
    brix: brix[0] !== null && brix[1] !== null ? { from: brix[0], to: brix[1] } : null,
    highestPh: fields.figure('highestPh', { unit: '' }),
    closure: f.closure,
    largestMl: fields.figure('largestMl', { unit: 'ml', kitchens: true }),
    headspaceInches: fields.figure('headspaceInches', { unit: 'in' }),
    method: f.method,
    steam: !hot && f.steam === 'yes',
    hotFill: hot
      ? {
          celsius: fields.figure('fill', { unit: 'C' }),
          holdMinutes,
          invertSeconds: fields.figure('invert', { unit: '' }),
        }
      : null,
    restMinutes: hot ? 0 : fields.figure('restMinutes', { unit: 'min' }),
    bands: bandsFrom(f.bands, fields, holdMinutes),
  };
}

/** "citric acid 2.5, bottled lemon juice 60": acids that have to be in it, with g of each in a kg. */
function requiredFrom(text: string, fields: FieldReader<Form>, named: ReturnType<typeof useNamed>) {
  const parts = text
    .split(/,(?!\d)/)
    .map((part) => part.trim())
    .filter(Boolean);
  return parts.flatMap((part) => {
    const [, name, amount] = /^(.*?)\s+([\d.,]+)\s*(?:g)?$/.exec(part) ?? [];
    const { ids } = named(name ?? '');
    const { value } = readFigure(amount ?? '', { unit: 'g' });
    if (ids[0] && value) return [{ id: ids[0], gramsPerKg: value }];
    fields.problem(
      'acidsRequired',
      `"${part}": write an acid of the catalogue and its g in a kg, as in "citric acid 2.5".`,
    );
    return [];
  });
}

function bandsFrom(bands: readonly Band[], fields: FieldReader<Form>, holdMinutes: number | null) {
  const read = (text: string) => {
    const { value, problem } = readFigure(text, { unit: '' });
    if (problem !== undefined) fields.problem('bands', problem);
    return value ?? undefined;
  };
  return bands
    .filter((b) => b.toFeet !== '' || b.minutes !== '')
    .map((b) => ({ toFeet: read(b.toFeet), minutes: holdMinutes ?? read(b.minutes) }));
}

const FIELD_OF: Record<string, keyof Form | undefined> = {
  'hotFill.celsius': 'fill',
  'hotFill.holdMinutes': 'hold',
  'hotFill.invertSeconds': 'invert',
};

function useOwnProcess(onClose: () => void) {
  const named = useNamed();
  return useDeedForm({
    of: 'heat-process',
    draft: 'process',
    empty: EMPTY,
    schema: heatProcessRoutes.add.body!,
    read: (f, fields) => processFrom(f, fields, named),
    fieldAt: (path) => FIELD_OF[path],
    write: (body) => call(heatProcessRoutes.add, { body }),
    done: 'Process saved',
    after: onClose,
  });
}
type OwnProcess = ReturnType<typeof useOwnProcess>;

/** Products that it was tested with: kind, fruits, acids, sugar, acidity. */
function ProductFields({ form }: { form: OwnProcess }) {
  return (
    <>
      <Choice label="Product" {...form.field('kind')} options={KINDS.map((k) => [k, k])} />
      <Field
        label="Fruits it was tested with"
        hint="Parted by commas, as in “sour cherries, raspberries”."
        {...form.field('fruits')}
      />
      <Field label="Acids in it" hint="Any other acid breaks the match." {...form.field('acids')} />
      <Field
        label="Acids it has to have, g in a kg"
        hint="The least of each, as in “citric acid 2.5”."
        {...form.field('acidsRequired')}
      />
      <Field label="Spices it may have" hint="Any other breaks the match." {...form.field('spices')} />
      <Choice
        label="Salt"
        {...form.field('salt')}
        options={[
          ['no', 'none'],
          ['yes', 'it may have salt'],
        ]}
      />
      <Choice
        label="What was in the jar"
        hint="Not said in its source: then it matches nothing."
        {...form.field('state')}
        options={[
          ['', 'not said'],
          ['strained', 'strained liquid'],
          ['puree', 'puree'],
          ['pieces', 'pieces in liquid'],
        ]}
      />
      <Choice
        label="Packed"
        {...form.field('pack')}
        options={[
          ['', 'not said'],
          ['hot', 'hot'],
          ['raw', 'raw, with hot liquid over it'],
        ]}
      />
      <div className="grid grid-cols-3 gap-3">
        <Field label="°Bx from" hint="Empty: sugar to taste." figure {...form.field('brixFrom')} />
        <Field label="°Bx to" figure {...form.field('brixTo')} />
        <Field label="pH up to" figure {...form.field('highestPh')} />
      </div>
    </>
  );
}

/** Jars and heat: what the source gives minutes for. */
function HeatFields({ form }: { form: OwnProcess }) {
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <Field label={`Largest jar, ${volumeSign()}`} figure {...form.field('largestMl')} />
        <Field label="Headspace, in" figure {...form.field('headspaceInches')} />
      </div>
      <Choice
        label="Closure"
        {...form.field('closure')}
        options={[
          ['two-piece-lid', 'two-piece lid'],
          ['any', 'any closure'],
        ]}
      />
      <Choice
        label="Method"
        {...form.field('method')}
        options={[
          ['boiling-water', 'boiling water'],
          ['hot-fill', 'hot fill'],
        ]}
      />
      {form.values.method === 'hot-fill' ? (
        <div className="col-span-full grid grid-cols-3 gap-3">
          <Field label={`Filled and closed at, ${degrees()}`} figure {...form.field('fill')} />
          <Field label="Held, min" figure {...form.field('hold')} />
          <Field label="Lid down, s" figure {...form.field('invert')} />
        </div>
      ) : (
        <>
          <Field label="Rest before lifting, min" figure {...form.field('restMinutes')} />
          <Choice
            label="Atmospheric steam canner"
            {...form.field('steam')}
            options={[
              ['no', 'not in its source'],
              ['yes', 'its source allows it'],
            ]}
          />
        </>
      )}
    </>
  );
}

/** A process of the kitchen’s own: what its source says, and nothing else. */
export function OwnProcessDialog({ onClose }: { onClose: () => void }) {
  const form = useOwnProcess(onClose);
  return (
    <Dialog open wide onClose={onClose} title="A process of your own, with its source">
      <form className="grid grid-cols-2 gap-4 max-sm:grid-cols-1" onSubmit={form.submit}>
        <DraftNote form={form} />
        <Field label="Name" {...form.field('name')} />
        <Field
          label="Source"
          hint="With its year, as in “Letter of Dr Amsel, 3 May 2026”, or a tested book’s title and edition."
          {...form.field('source')}
        />
        <WhenField kind="day" label="Read against the source on" {...form.when('readOn')} />
        <ProductFields form={form} />
        <HeatFields form={form} />
        <Bands
          bands={form.values.bands}
          change={(bands) => form.set('bands', bands)}
          error={form.error('bands')}
        />
        <FormEnd onCancel={onClose} disabled={form.busy} />
      </form>
    </Dialog>
  );
}
