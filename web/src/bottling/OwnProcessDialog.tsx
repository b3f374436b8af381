import { heatProcessRoutes } from '@inch/contract/heatProcess';
import { useState } from 'react';
import { call, newId } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { numberOrNull } from '../data/useEntry.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Choice, Field } from '../ui/Field.tsx';

const KINDS = ['syrup', 'cordial', 'shrub', 'concentrate', 'juice'] as const;

const EMPTY = {
  ...{ name: '', source: '', readOn: '', kind: 'syrup', fruits: '', acids: '', brixFrom: '', brixTo: '' },
  ...{
    ph: '',
    closure: 'two-piece-lid',
    largest: '475',
    headspace: '0.5',
    method: 'boiling-water',
    rest: '5',
  },
  ...{ fill: '88', hold: '2', invert: '60' },
};
type Form = typeof EMPTY;
interface Band {
  toFeet: string;
  minutes: string;
}

/** Names of the catalogue, parted by commas, as their ids; what is not known is named. */
function useNamed(): (text: string) => { ids: string[]; unknown: string[] } {
  const catalogue = useCatalogue();
  return (text) => {
    const said = text
      .split(',')
      .map((part) => part.trim().toLowerCase())
      .filter(Boolean);
    const found = said.map(
      (word) =>
        catalogue.all.find((e) => e.id === word || e.name.toLowerCase() === word || e.labelName === word)?.id,
    );
    return {
      ids: found.filter((id) => id !== undefined),
      unknown: said.filter((_, i) => found[i] === undefined),
    };
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
        One more band
      </Button>
      {error && <p className="text-sm font-semibold text-stop">{error}</p>}
    </fieldset>
  );
}

/** A process of the kitchen’s own: what its source says, and nothing else. */
export function OwnProcessDialog({ onClose }: { onClose: () => void }) {
  const [f, change] = useState<Form>(EMPTY);
  const [bands, setBands] = useState<Band[]>([{ toFeet: '', minutes: '' }]);
  const set = (part: Partial<Form>) => change({ ...f, ...part });
  const named = useNamed();
  const [fruits, acids] = [named(f.fruits), named(f.acids)];
  const hot = f.method === 'hot-fill';
  const write = useWrite(
    () =>
      call(heatProcessRoutes.add, {
        body: {
          id: newId(),
          name: f.name,
          source: f.source,
          readOn: f.readOn || null,
          fruits: fruits.ids,
          acids: acids.ids,
          products: [f.kind as 'syrup'],
          brix: f.brixFrom && f.brixTo ? { from: Number(f.brixFrom), to: Number(f.brixTo) } : null,
          highestPh: numberOrNull(f.ph),
          closure: f.closure as 'any',
          largestMl: Number(f.largest),
          headspaceInches: Number(f.headspace),
          method: f.method as 'hot-fill',
          hotFill: hot
            ? { celsius: Number(f.fill), holdMinutes: Number(f.hold), invertSeconds: Number(f.invert) }
            : null,
          restMinutes: hot ? 0 : Number(f.rest),
          bands: bands
            .filter((b) => b.toFeet !== '' || b.minutes !== '')
            .map((b) => ({ toFeet: Number(b.toFeet), minutes: hot ? Number(f.hold) : Number(b.minutes) })),
        },
      }),
    { done: 'The process is entered', after: onClose, tellsErrors: true },
  );
  const text = (
    key: keyof Form,
    label: string,
    more: { figure?: boolean; hint?: string; path?: string } = {},
  ) => (
    <Field
      label={label}
      value={f[key]}
      onChange={(e) => set({ [key]: e.target.value })}
      error={write.fields[more.path ?? key]}
      figure={more.figure ?? false}
      {...(more.hint ? { hint: more.hint } : {})}
    />
  );
  const unknown = [...fruits.unknown, ...acids.unknown];
  return (
    <Dialog open wide onClose={onClose} title="A process of your own, with its source">
      <form
        className="grid grid-cols-2 gap-4 max-sm:grid-cols-1"
        onSubmit={(e) => {
          e.preventDefault();
          write.run(undefined);
        }}
      >
        {text('name', 'What it is called')}
        {text('source', 'Its source', {
          hint: 'An authority’s letter with its date, a tested book with its edition.',
        })}
        <Field
          label="Read against it on"
          type="date"
          value={f.readOn}
          onChange={(e) => set({ readOn: e.target.value })}
        />
        <Choice label="For a" value={f.kind} onChange={(e) => set({ kind: e.target.value })}>
          {KINDS.map((k) => (
            <option key={k}>{k}</option>
          ))}
        </Choice>
        {text('fruits', 'Fruits it was tested with', { hint: 'Parted by commas.' })}
        {text('acids', 'Acids it has', { hint: 'Any other breaks the match.' })}
        <div className="grid grid-cols-3 gap-3">
          {text('brixFrom', '°Bx from', { figure: true })}
          {text('brixTo', '°Bx to', { figure: true })}
          {text('ph', 'pH up to', { figure: true, path: 'highestPh' })}
        </div>
        <div className="grid grid-cols-2 gap-3">
          {text('largest', 'Largest jar, mL', { figure: true, path: 'largestMl' })}
          {text('headspace', 'Headspace, in', { figure: true, path: 'headspaceInches' })}
        </div>
        <Choice label="Closed with" value={f.closure} onChange={(e) => set({ closure: e.target.value })}>
          <option value="two-piece-lid">a two-piece lid</option>
          <option value="any">any closure</option>
        </Choice>
        <Choice label="How" value={f.method} onChange={(e) => set({ method: e.target.value })}>
          <option value="boiling-water">boiling water</option>
          <option value="hot-fill">hot fill</option>
        </Choice>
        {hot ? (
          <div className="col-span-full grid grid-cols-3 gap-3">
            {text('fill', 'Filled and closed at, °C', { figure: true })}
            {text('hold', 'Held, min', { figure: true })}
            {text('invert', 'Lid down, s', { figure: true })}
          </div>
        ) : (
          text('rest', 'Rest before lifting, min', { figure: true })
        )}
        <Bands
          bands={bands}
          change={setBands}
          error={write.fields.bands ?? write.fields['bands.0.minutes'] ?? write.fields['bands.0.toFeet']}
        />
        {unknown.length > 0 && (
          <p className="col-span-full font-semibold text-hold">Not in the catalogue: {unknown.join(', ')}.</p>
        )}
        {write.error && Object.keys(write.fields).length === 0 && (
          <p role="alert" className="col-span-full font-semibold text-stop">
            {write.error.message}
          </p>
        )}
        <div className="col-span-full flex justify-end gap-3">
          <Button tone="plain" onClick={onClose}>
            Not now
          </Button>
          <Button type="submit" disabled={write.busy || unknown.length > 0}>
            Enter it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
