import {
  type Container,
  ContainerMeasures,
  containerRoutes,
  NewContainer,
} from '@inch/contract/making/container';
import { CLOSURES } from '@inch/core/bottling';
import { PROCESS_METHODS } from '@inch/core/heat';
import {
  bottleSize,
  depthSaid,
  inWords,
  volume,
  volumeShown,
  volumeSign,
  weight,
  weightShown,
  weightSign,
} from '@inch/core/quantity';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { useContainers } from '../data/containers.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Tick } from '../ui/Tick.tsx';
import { figureIn } from '../ui/typed.ts';

function measuredSaid(c: Container): string {
  const said = [
    c.headspaceInches !== null && `${depthSaid(c.headspaceInches * 25.4, 'in')} headspace`,
    c.brimfulMl !== null && `${volume(c.brimfulMl)} to the brim`,
    c.tareGrams !== null && `${weight(c.tareGrams)} empty`,
    c.rated.length > 0 ? `made for ${c.rated.join(' and ')}` : 'made for no heat process',
  ];
  return said.filter(Boolean).join(', ');
}

function useMeasures(c: Container, onClose: () => void) {
  const text = (value: number | null) => (value === null ? '' : String(value));
  return useDeedForm({
    of: 'container',
    draft: `measures ${c.id}`,
    empty: {
      brimfulMl: text(c.brimfulMl === null ? null : volumeShown(c.brimfulMl)),
      tareGrams: text(c.tareGrams === null ? null : weightShown(c.tareGrams, 'light')),
      headspaceInches:
        c.headspaceInches === null ? '' : depthSaid(c.headspaceInches * 25.4, 'in').replace(' in', ''),
      rated: [...c.rated],
      shape: c.shape as string,
      depthMm: text(c.depthMm),
      wallMm: text(c.wallMm),
    },
    hasId: false,
    schema: ContainerMeasures,
    read: (a, fields) => ({
      brimfulMl: fields.figure('brimfulMl', { unit: 'ml', kitchens: true, min: 0 }),
      tareGrams: fields.figure('tareGrams', { unit: 'g', kitchens: true, min: 0 }),
      headspaceInches: fields.figure('headspaceInches', { unit: 'in', min: 0 }),
      rated: a.rated,
      shape: a.shape,
      depthMm: a.shape === 'round' ? null : fields.figure('depthMm', { unit: 'mm', min: 0 }),
      wallMm: fields.figure('wallMm', { unit: 'mm', min: 0 }),
    }),
    write: (body) => call(containerRoutes.measure, { params: { id: c.id }, body }),
    done: 'Measured',
    after: onClose,
  });
}

function RatedTicks({ form }: { form: ReturnType<typeof useMeasures> }) {
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-semibold text-ink-2">Made for, by its maker</legend>
      {PROCESS_METHODS.map((m) => (
        <Tick key={m} value={m} {...form.register('rated')}>
          {inWords(m)}
        </Tick>
      ))}
    </fieldset>
  );
}

function Faces({ form }: { form: ReturnType<typeof useMeasures> }) {
  return (
    <>
      <Field
        label="Straight wall, mm"
        figure
        inputMode="decimal"
        {...form.field('wallMm')}
        hint="Without shoulder and neck: what a label has room on."
      />
      <Choice
        label="Its sides are"
        {...form.field('shape')}
        options={[
          ['round', 'round'],
          ['flat-sided', 'flat'],
        ]}
      />
      {form.values.shape !== 'round' && (
        <Field label="Front to back, mm" figure inputMode="decimal" {...form.field('depthMm')} />
      )}
    </>
  );
}

function MeasureDialog({ container: c, onClose }: { container: Container; onClose: () => void }) {
  const form = useMeasures(c, onClose);
  const headspace = figureIn(form.values.headspaceInches, { unit: 'in' });
  return (
    <Dialog open onClose={onClose} title={`Measure: ${c.name}`}>
      <form className="grid grid-cols-2 gap-4 max-sm:grid-cols-1" onSubmit={form.submit}>
        <DraftNote form={form} />
        <Field
          label={`Volume to the brim, ${volumeSign()}`}
          figure
          inputMode="decimal"
          {...form.field('brimfulMl')}
          hint={
            volumeSign() === 'mL'
              ? 'Weigh it full of water: 1 g is 1 mL.'
              : 'Weigh it full of water: 1 g is 1 mL; write 250 mL.'
          }
        />
        <Field
          label={`Empty, with its closure, ${weightSign('light')}`}
          figure
          inputMode="decimal"
          {...form.field('tareGrams')}
          hint="Taken off when a full bottle is weighed."
        />
        <Field
          label="Headspace: rim to fill line, in"
          figure
          placeholder="1/2"
          {...form.field('headspaceInches')}
          hint={
            headspace === null
              ? 'For instance 1/2 or 12 mm.'
              : `${Math.round(headspace * 25.4)} mm of headspace`
          }
        />
        <RatedTicks form={form} />
        <Faces form={form} />
        <FormEnd onCancel={onClose} disabled={form.busy} />
      </form>
    </Dialog>
  );
}

const EMPTY = { name: '', nominalMl: '', heightMm: '', diameterMm: '', closure: 'two-piece-lid' };

function AddContainer() {
  const form = useDeedForm({
    of: 'container',
    draft: 'container',
    empty: EMPTY,
    schema: NewContainer,
    read: (a, fields) => ({
      name: a.name,
      nominalMl: fields.figure('nominalMl', { unit: 'ml', kitchens: true, min: 1 }) ?? undefined,
      heightMm: fields.figure('heightMm', { unit: 'mm', min: 1 }) ?? undefined,
      diameterMm: fields.figure('diameterMm', { unit: 'mm', min: 1 }) ?? undefined,
      closure: a.closure,
      // A jar with a two-piece lid is a canning jar; what else a bottle is made for its maker says.
      rated: a.closure === 'two-piece-lid' ? ['boiling-water'] : [],
    }),
    write: (body) => call(containerRoutes.add, { body }),
    done: 'Added',
  });
  return (
    <form className="grid grid-cols-5 items-start gap-3 py-4 max-sm:grid-cols-2" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Field
        className="col-span-2"
        label="Add a bottle or jar"
        placeholder="Half-pint jar"
        {...form.field('name')}
      />
      <Field label={volumeSign()} figure inputMode="decimal" {...form.field('nominalMl')} />
      <Field label="High, mm" figure inputMode="decimal" {...form.field('heightMm')} />
      <Field label="Across, mm" figure inputMode="decimal" {...form.field('diameterMm')} />
      <Choice
        className="col-span-2"
        label="Closed with"
        {...form.field('closure')}
        options={CLOSURES.map((c) => [c, inWords(c)])}
      />
      <Button type="submit" tone="plain" className="col-span-2 mt-6 justify-self-start" disabled={form.busy}>
        Add bottle or jar
      </Button>
    </form>
  );
}

function Retire({ container: c }: { container: Container }) {
  const write = useWrite('container', () =>
    call(containerRoutes.retire, { params: { id: c.id }, body: { retired: !c.retired } }),
  );
  return (
    <Button
      tone="quiet"
      size="small"
      disabled={write.busy}
      aria-label={`${c.retired ? 'Restore' : 'Retire'} ${c.name}`}
      onClick={() => write.run(undefined)}
    >
      {c.retired ? 'Restore' : 'Retire'}
    </Button>
  );
}

/** The kinds of bottle and jar of the kitchen, and what was measured of them. */
export function Containers({ mayWrite }: { mayWrite: boolean }) {
  const { data } = useContainers();
  const [measured, setMeasured] = useState<Container | null>(null);
  return (
    <Ruled title="Bottles and jars" className="mt-8">
      <ul>
        {data?.map((c) => (
          <li
            key={c.id}
            className={`flex flex-wrap items-baseline justify-between gap-x-4 border-b border-steel-line py-2 ${c.retired ? 'text-ink-2' : ''}`}
          >
            <span>
              <span className="font-semibold">{c.name}</span>
              {c.retired && ', retired'}
              <span className="block text-sm text-ink-2">{measuredSaid(c)}</span>
            </span>
            <span className="flex items-baseline gap-3">
              <span className="figure text-sm text-ink-2">
                {bottleSize(c.nominalMl)} · {c.heightMm} × {c.diameterMm} mm · {inWords(c.closure)}
              </span>
              {mayWrite && <Retire container={c} />}
              {mayWrite && !c.retired && (
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
      {mayWrite && <AddContainer />}
    </Ruled>
  );
}
