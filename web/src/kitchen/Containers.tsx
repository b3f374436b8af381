import { type Container, containerRoutes } from '@inch/contract/container';
import { CLOSURES } from '@inch/core/bottling';
import { PROCESS_METHODS } from '@inch/core/heat';
import { inWords, parseQuantity } from '@inch/core/quantity';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { call } from '../data/api.ts';
import { useContainers } from '../data/queries.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { depthSaid } from '../ui/ruler.ts';
import { Ruled } from '../ui/Sheet.tsx';

/** What is known of a kind of bottle beyond its size, in words. */
function measuredSaid(c: Container): string {
  const said = [
    c.headspaceInches !== null && `${depthSaid(c.headspaceInches * 25.4, 'in')} headspace`,
    c.brimfulMl !== null && `${c.brimfulMl} mL to the brim`,
    c.tareGrams !== null && `${c.tareGrams} g empty`,
    c.rated.length > 0 ? `made for ${c.rated.join(' and ')}` : 'made for no heat process',
  ];
  return said.filter(Boolean).join(', ');
}

/** Inches as they are read off a ruler: 1/2, 5/8, 1 1/4, or 0.5; null where that is none. */
function inches(text: string): number | null {
  if (text.trim() === '') return null;
  try {
    return parseQuantity(`${text} in`).amount;
  } catch {
    return Number.NaN;
  }
}

function MeasureDialog({ container: c, onClose }: { container: Container; onClose: () => void }) {
  const [brim, setBrim] = useState(c.brimfulMl === null ? '' : String(c.brimfulMl));
  const [tare, setTare] = useState(c.tareGrams === null ? '' : String(c.tareGrams));
  const [space, setSpace] = useState(
    c.headspaceInches === null ? '' : depthSaid(c.headspaceInches * 25.4, 'in').replace(' in', ''),
  );
  const [rated, setRated] = useState(c.rated);
  const number = (text: string) => (text.trim() === '' ? null : Number(text));
  const headspace = inches(space);
  const write = useWrite(
    'container',
    () =>
      call(containerRoutes.measure, {
        params: { id: c.id },
        body: { brimfulMl: number(brim), tareGrams: number(tare), headspaceInches: headspace, rated },
      }),
    { done: 'Measured', after: onClose },
  );
  return (
    <Dialog open onClose={onClose} title={`Measure: ${c.name}`}>
      <form
        className="grid grid-cols-2 gap-4 max-sm:grid-cols-1"
        onSubmit={(e) => {
          e.preventDefault();
          write.run(undefined);
        }}
      >
        <Field
          label="To the brim, mL"
          figure
          inputMode="decimal"
          value={brim}
          onChange={(e) => setBrim(e.target.value)}
          error={write.fields.brimfulMl}
        />
        <Field
          label="Empty, with its closure, g"
          figure
          inputMode="decimal"
          value={tare}
          onChange={(e) => setTare(e.target.value)}
          error={write.fields.tareGrams}
        />
        <Field
          label="Rim to fill line, in"
          figure
          placeholder="1/2"
          value={space}
          onChange={(e) => setSpace(e.target.value)}
          error={Number.isNaN(headspace) ? 'Write inches, such as 1/2 or 5/8.' : write.fields.headspaceInches}
          hint={
            headspace !== null && !Number.isNaN(headspace)
              ? `${Math.round(headspace * 25.4)} mm of headspace`
              : undefined
          }
        />
        <fieldset>
          <legend className="mb-1 text-sm font-semibold text-ink-2">Its maker made it for</legend>
          {PROCESS_METHODS.map((m) => (
            <label key={m} className="flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-[var(--rim)]"
                checked={rated.includes(m)}
                onChange={(e) => setRated(e.target.checked ? [...rated, m] : rated.filter((r) => r !== m))}
              />
              {inWords(m)}
            </label>
          ))}
        </fieldset>
        <div className="col-span-full flex justify-end gap-3">
          <Button tone="plain" onClick={onClose}>
            Cancel
          </Button>
          <Button type="submit" disabled={write.busy || Number.isNaN(headspace)}>
            Save
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

/** The kinds of bottle and jar of the kitchen, and what was measured of them. */
export function Containers({ mayWrite }: { mayWrite: boolean }) {
  const { data } = useContainers();
  const { register, handleSubmit, reset } = useForm({
    defaultValues: { name: '', nominalMl: '', heightMm: '', diameterMm: '', closure: 'two-piece-lid' },
  });
  const write = useWrite(
    'container',
    (v: { name: string; nominalMl: string; heightMm: string; diameterMm: string; closure: string }, idOf) =>
      call(containerRoutes.add, {
        body: {
          id: idOf(),
          name: v.name,
          nominalMl: Number(v.nominalMl),
          heightMm: Number(v.heightMm),
          diameterMm: Number(v.diameterMm),
          closure: v.closure as Container['closure'],
          // A jar with a two-piece lid is a canning jar; what else a bottle is made for its maker says.
          rated: v.closure === 'two-piece-lid' ? ['boiling-water'] : [],
        },
      }),
    { after: () => reset() },
  );
  const [measured, setMeasured] = useState<Container | null>(null);
  return (
    <Ruled title="Bottles and jars" className="mt-8">
      <ul>
        {data?.map((c) => (
          <li
            key={c.id}
            className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-steel-line py-2"
          >
            <span>
              <span className="font-semibold">{c.name}</span>
              <span className="block text-sm text-ink-2">{measuredSaid(c)}</span>
            </span>
            <span className="flex items-baseline gap-3">
              <span className="figure text-sm text-ink-2">
                {c.nominalMl} mL · {c.heightMm} × {c.diameterMm} mm · {inWords(c.closure)}
              </span>
              {mayWrite && (
                <Button
                  tone="quiet"
                  size="small"
                  aria-label={`Measure ${c.name}`}
                  onClick={() => setMeasured(c)}
                >
                  Measure…
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {measured && <MeasureDialog container={measured} onClose={() => setMeasured(null)} />}
      {mayWrite && (
        <form
          className="grid grid-cols-5 items-start gap-3 py-4 max-sm:grid-cols-2"
          onSubmit={handleSubmit((v) => write.run(v))}
        >
          <Field
            className="col-span-2"
            label="Add a bottle or jar"
            {...register('name')}
            error={write.fields.name}
          />
          <Field
            label="mL"
            figure
            inputMode="numeric"
            {...register('nominalMl')}
            error={write.fields.nominalMl}
          />
          <Field
            label="High, mm"
            figure
            inputMode="numeric"
            {...register('heightMm')}
            error={write.fields.heightMm}
          />
          <Field
            label="Across, mm"
            figure
            inputMode="numeric"
            {...register('diameterMm')}
            error={write.fields.diameterMm}
          />
          <Choice className="col-span-2" label="Closed with" {...register('closure')}>
            {CLOSURES.map((c) => (
              <option key={c} value={c}>
                {inWords(c)}
              </option>
            ))}
          </Choice>
          <Button type="submit" tone="plain" className="mt-6" disabled={write.busy}>
            Add bottle or jar
          </Button>
        </form>
      )}
    </Ruled>
  );
}
