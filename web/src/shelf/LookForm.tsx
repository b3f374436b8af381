import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { faultsOf } from '@inch/core/ageing';
import type { Look } from '@inch/core/lot';
import { bottleSize, inWords } from '@inch/core/quantity';
import { LOOK_FINDINGS } from '@inch/core/record';
import { useInstruments } from '../data/instruments.ts';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { Caution } from '../ui/State.tsx';
import { FindingGlyph } from './FindingGlyph.tsx';

const SAYS: Record<(typeof LOOK_FINDINGS)[number], string> = {
  haze: 'no print can be read through it',
  sediment: 'settled at the foot, stirs up',
  separation: 'two layers with a line',
  crystals: 'sugar that came out',
  browner: 'browner than on the day of release',
  paler: 'paler than on the day of release',
  film: 'a skin on the surface',
  gas: 'bubbles that rise, a hiss',
  mould: 'spots or down, any colour',
  'off-smell': 'yeast, vinegar, rot, paint',
  'lid-lifted': 'the lid or cap is bulged or loose',
  leak: 'sticky at the closure',
};

function useLook(lot: LotView) {
  return useDeedForm({
    of: 'entry',
    draft: `look ${lot.id}`,
    empty: {
      group: '0',
      opened: 'closed' as string,
      daysOpen: '',
      findings: [] as string[],
      colour: '',
      smell: '',
      taste: '',
      ph: '',
      meter: '',
      brix: '',
      note: '',
    },
    schema: bodyOf('look'),
    read: (a, fields) => {
      const group = lot.bottles.groups[Number(a.group)];
      const score = (name: 'colour' | 'smell' | 'taste') =>
        fields.figure(name, { unit: '', min: 0, max: 10 });
      const open = a.opened !== 'closed';
      return {
        bottlingId: group?.bottlingId ?? lot.bottlings.find((b) => !b.struck)?.id,
        opened: a.opened,
        daysOpen:
          a.opened === 'open-already' ? fields.figure('daysOpen', { unit: '', whole: true, min: 0 }) : null,
        findings: a.findings as Look['findings'],
        colour: score('colour'),
        smell: open ? score('smell') : null,
        taste: open ? score('taste') : null,
        ph: open ? fields.figure('ph', { unit: '', min: 0.5, max: 12 }) : null,
        phInstrumentId: open && a.ph ? a.meter || null : null,
        brix: open ? fields.figure('brix', { unit: '', min: 0, max: 85 }) : null,
        note: a.note || null,
        place: a.opened === 'opened' ? (group?.place ?? null) : null,
      };
    },
    fieldAt: (path) => ({ place: 'group' as const, phInstrumentId: 'meter' as const })[path],
    write: (body) => recordEntry('look', lot, body, 'A bottle kept back was looked at'),
    done: 'Look recorded',
  });
}
type Form = ReturnType<typeof useLook>;

function Findings({ form, colour }: { form: Form; colour: string }) {
  return (
    <fieldset className="col-span-full">
      <legend className="mb-2 text-sm font-semibold text-ink-2">
        Hold it against the light. What is there? Nothing ticked means clear.
      </legend>
      <div className="grid grid-cols-6 gap-2 max-lg:grid-cols-4 max-sm:grid-cols-2">
        {LOOK_FINDINGS.map((finding) => (
          <label
            key={finding}
            className="flex cursor-pointer flex-col items-center gap-1 rounded-lg border border-steel-line px-2 py-3 text-center has-checked:border-2 has-checked:border-rim has-checked:bg-rim-pale has-focus-visible:outline-2"
          >
            <input type="checkbox" className="sr-only" value={finding} {...form.register('findings')} />
            <FindingGlyph of={finding} colour={colour} />
            <span className="font-semibold">{inWords(finding)}</span>
            <span className="text-xs text-ink-2">{SAYS[finding]}</span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function Measures({ form }: { form: Form }) {
  const instruments = useInstruments();
  const meters = (instruments.data ?? []).filter((i) => i.kind === 'ph-meter' && !i.retired);
  return (
    <>
      <Field
        label="Smell, 0 to 10"
        figure
        inputMode="decimal"
        {...form.field('smell')}
        hint="10 as on the day of release."
      />
      <Field
        label="Taste, 0 to 10"
        figure
        inputMode="decimal"
        {...form.field('taste')}
        hint="Taste nothing that looks wrong."
      />
      <Field label="pH" figure inputMode="decimal" {...form.field('ph')} />
      <Choice
        label="pH meter"
        {...form.field('meter')}
        hint="Calibrated today, or it does not count."
        options={[['', 'none'], ...meters.map((m) => [m.id, m.name] as const)]}
      />
      <Field label="Sugar, °Bx at 20 °C" figure inputMode="decimal" {...form.field('brix')} />
    </>
  );
}

/** A look at a bottle kept back, guided by drawings: what is seen, and, of an opened one, what is measured. */
export function LookForm({ lot }: { lot: LotView }) {
  const form = useLook(lot);
  const { opened, findings } = form.values;
  const faults = faultsOf({ findings: findings as Look['findings'] });
  return (
    <form
      className="grid grid-cols-3 gap-4 py-3 max-md:grid-cols-2 max-sm:grid-cols-1"
      onSubmit={form.submit}
    >
      <DraftNote form={form} />
      <Choice
        label="Of the bottles in"
        {...form.field('group')}
        options={lot.bottles.groups.map((g, i) => [i, `${g.place}: ${g.count} × ${bottleSize(g.nominalMl)}`])}
      />
      <Choice
        label="The bottle is"
        {...form.field('opened')}
        hint={opened === 'opened' ? 'It leaves the stock.' : 'Closed ones are looked at and put back.'}
        options={[
          ['closed', 'closed, and stays so'],
          ['opened', 'opened now'],
          ['open-already', 'open already'],
        ]}
      />
      {opened === 'open-already' && (
        <Field label="Days open" figure inputMode="numeric" {...form.field('daysOpen')} />
      )}
      <Findings form={form} colour={lot.product.colour} />
      {faults.length > 0 && (
        <Caution tone="stop" className="col-span-full">
          <strong>{faults.join(', ')}: do not taste it.</strong> Recording this holds the lot and names the
          lots that share its stock or its day.
        </Caution>
      )}
      <Field
        label="Colour, 0 to 10"
        figure
        inputMode="decimal"
        {...form.field('colour')}
        hint="10 as on the day of release."
      />
      {opened !== 'closed' && <Measures form={form} />}
      <Field className="col-span-full" label="Note" {...form.field('note')} />
      <Button type="submit" className="justify-self-start" disabled={form.busy}>
        Record the look
      </Button>
    </form>
  );
}
