import { containerRoutes } from '@inch/contract/container';
import { type LotView, lotRoutes } from '@inch/contract/lot';
import { heatProcesses, processTime } from '@inch/core/heat';
import { useQuery } from '@tanstack/react-query';
import { useForm, useWatch } from 'react-hook-form';
import { call, newId } from '../app/api.ts';
import { useSession } from '../app/session.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { fromLocalInput } from '../ui/format.ts';
import { useWrite } from '../ui/useWrite.ts';

const numberOrNull = (text: string): number | null => (text.trim() === '' ? null : Number(text));
const happened = (text: string) => {
  const at = fromLocalInput(text);
  return at ? { at } : {};
};
const AT_HINT = 'Empty means now.';

interface FillAnswers {
  containerId: string;
  count: string;
  closing: 'hot' | 'cooled';
  fillCelsius: string;
  hoursToCold: string;
  place: string;
  at: string;
}

/** Counts bottles of one size into a place. */
export function FillForm({ lot }: { lot: LotView }) {
  const containers = useQuery({ queryKey: ['containers'], queryFn: () => call(containerRoutes.list) });
  const shelf = lot.storage === 'shelf';
  const { register, handleSubmit, control } = useForm<FillAnswers>({
    values: {
      containerId: containers.data?.[0]?.id ?? '',
      count: '',
      closing: shelf ? 'hot' : 'cooled',
      fillCelsius: '',
      hoursToCold: '',
      place: shelf ? 'cellar' : 'cold room',
      at: '',
    },
    resetOptions: { keepDirtyValues: true },
  });
  const closing = useWatch({ control, name: 'closing' });
  const write = useWrite((a: FillAnswers) =>
    call(lotRoutes.bottle, {
      params: { id: lot.id },
      body: {
        id: newId(),
        containerId: a.containerId,
        count: Number(a.count),
        closing: a.closing,
        fillCelsius: numberOrNull(a.fillCelsius),
        hoursToCold: a.closing === 'cooled' ? numberOrNull(a.hoursToCold) : null,
        place: a.place,
        ...happened(a.at),
      },
    }),
  );
  return (
    <form
      className="grid grid-cols-3 gap-4 py-4 max-sm:grid-cols-1"
      onSubmit={handleSubmit((a) => write.run(a))}
    >
      <Choice label="Bottle or jar" {...register('containerId')} error={write.fields.containerId}>
        {containers.data?.map((c) => (
          <option key={c.id} value={c.id}>
            {c.name}, {c.nominalMl} mL
          </option>
        ))}
      </Choice>
      <Field label="How many" figure inputMode="numeric" {...register('count')} error={write.fields.count} />
      <Field label="Into which place" {...register('place')} error={write.fields.place} />
      <Choice
        label="Closed"
        {...register('closing')}
        hint={closing === 'hot' ? 'Hot and tight.' : 'Cooled open, then closed and chilled.'}
      >
        <option value="hot">hot</option>
        <option value="cooled">cooled open</option>
      </Choice>
      {closing === 'hot' ? (
        <Field
          label="Fill temperature, °C"
          figure
          inputMode="decimal"
          {...register('fillCelsius')}
          error={write.fields.fillCelsius}
        />
      ) : (
        <Field
          label="Hours until at 5 °C"
          figure
          inputMode="decimal"
          {...register('hoursToCold')}
          error={write.fields.hoursToCold}
        />
      )}
      <Field
        label="Filled at"
        type="datetime-local"
        {...register('at')}
        error={write.fields.at}
        hint={AT_HINT}
      />
      <Button type="submit" disabled={write.busy} className="col-span-full justify-self-start">
        Count them in
      </Button>
    </form>
  );
}

interface ProcessAnswers {
  processId: string;
  minutes: string;
  source: string;
  requiredMinutes: string;
  at: string;
}

/** Records a boiling-water process, from the list or the kitchen's own with its source. */
export function ProcessForm({ lot }: { lot: LotView }) {
  const { kitchen } = useSession();
  const { register, handleSubmit, control } = useForm<ProcessAnswers>({
    defaultValues: {
      processId: lot.product.content.processId ?? '',
      minutes: '',
      source: '',
      requiredMinutes: '',
      at: '',
    },
  });
  const processId = useWatch({ control, name: 'processId' });
  const process = heatProcesses.find((p) => p.id === processId);
  const write = useWrite((a: ProcessAnswers) =>
    call(lotRoutes.process, {
      params: { id: lot.id },
      body: {
        id: newId(),
        processId: a.processId || null,
        source: a.source,
        requiredMinutes: a.processId ? null : numberOrNull(a.requiredMinutes),
        minutes: Number(a.minutes),
        ...happened(a.at),
      },
    }),
  );
  const feet = Math.round(kitchen.elevationMetres / 0.3048);
  return (
    <form
      className="grid grid-cols-3 gap-4 py-4 max-sm:grid-cols-1"
      onSubmit={handleSubmit((a) => write.run(a))}
    >
      <Choice
        className="col-span-2 max-sm:col-span-1"
        label="Process"
        {...register('processId')}
        error={write.fields.processId}
        hint={
          process
            ? `${process.source}. ${processTime(process, kitchen.elevationMetres)} min at ${feet.toLocaleString('en')} ft.`
            : 'An authority’s letter, or a tested book with its edition.'
        }
      >
        <option value="">Our own, with its source</option>
        {heatProcesses.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </Choice>
      <Field
        label="Minutes at a full boil"
        figure
        inputMode="decimal"
        {...register('minutes')}
        error={write.fields.minutes}
      />
      {!process && (
        <Field
          className="col-span-2 max-sm:col-span-1"
          label="Its source"
          {...register('source')}
          error={write.fields.source}
        />
      )}
      {!process && (
        <Field
          label="Minutes it asks for here"
          figure
          inputMode="decimal"
          {...register('requiredMinutes')}
          error={write.fields.requiredMinutes}
        />
      )}
      <Field
        label="Processed at"
        type="datetime-local"
        {...register('at')}
        error={write.fields.at}
        hint={AT_HINT}
      />
      <Button type="submit" disabled={write.busy} className="col-span-full justify-self-start">
        Record the process
      </Button>
    </form>
  );
}

/** Lids pressed, and how many failed. */
export function SealForm({ lot }: { lot: LotView }) {
  const { register, handleSubmit } = useForm({
    defaultValues: { checked: String(lot.bottles.left), failed: '0', at: '' },
  });
  const write = useWrite((a: { checked: string; failed: string; at: string }) =>
    call(lotRoutes.checkSeals, {
      params: { id: lot.id },
      body: { id: newId(), checked: Number(a.checked), failed: Number(a.failed), ...happened(a.at) },
    }),
  );
  return (
    <form
      className="grid grid-cols-3 gap-4 py-4 max-sm:grid-cols-1"
      onSubmit={handleSubmit((a) => write.run(a))}
    >
      <Field
        label="Pressed"
        figure
        inputMode="numeric"
        {...register('checked')}
        error={write.fields.checked}
      />
      <Field
        label="Failed"
        figure
        inputMode="numeric"
        {...register('failed')}
        error={write.fields.failed}
        hint="They leave the shelf: chill, process again with a new lid within a day, or discard."
      />
      <Field
        label="Pressed at"
        type="datetime-local"
        {...register('at')}
        error={write.fields.at}
        hint={AT_HINT}
      />
      <Button type="submit" disabled={write.busy} className="col-span-full justify-self-start">
        Record the check
      </Button>
    </form>
  );
}
