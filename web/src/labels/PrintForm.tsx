import { type LabelView, labelRoutes } from '@inch/contract/making/label';
import { type LabelSheet, labelSheetRoutes } from '@inch/contract/making/labelSheet';
import { entryRoutes, type LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { sheetsFor } from '@inch/core/label';
import { standing } from '@inch/core/lot';
import { plural } from '@inch/core/quantity';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { urlOf } from '../data/address.ts';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Caution } from '../ui/State.tsx';
import { Tick } from '../ui/Tick.tsx';
import { figureIn } from '../ui/typed.ts';

export const useSheets = () =>
  useQuery({ queryKey: keys.list('label-sheet'), queryFn: () => call(labelSheetRoutes.list) });

interface Props {
  lot: { id: string; code: string; prints: LotView['prints'] };
  label: LabelView;
  /** Bottles that have no label yet, by what was filled and what was printed. */
  left: number;
  /** Labels of one bottle: two where the look has a back. */
  faces: number;
}

function usePrint({ lot, label, left }: Props) {
  const form = useDeedForm({
    of: 'entry',
    draft: `print ${lot.id}`,
    empty: {
      copies: String(Math.max(1, left)),
      sheetId: '',
      firstLabel: '1',
      firstBottle: '1',
      reprintOf: '',
      why: '',
      seen: false,
      cutMarks: false,
    },
    schema: bodyOf('print'),
    read: (a, fields) => ({
      copies: fields.figure('copies', { unit: '', whole: true, min: 1, max: 500 }) ?? undefined,
      sheetId: a.sheetId || null,
      firstLabel: a.sheetId ? fields.figure('firstLabel', { unit: '', whole: true, min: 1 }) : null,
      firstBottle: label.design.numbered
        ? fields.figure('firstBottle', { unit: '', whole: true, min: 1 })
        : null,
      reprintOf: a.reprintOf || null,
      why: a.why || null,
      differencesSeen: a.seen,
    }),
    write: (body) => call(entryRoutes.print, { params: { id: lot.id }, body }),
    done: 'Print recorded',
    after: (_, body) => {
      const file = urlOf(
        labelRoutes.pdf.path,
        { id: lot.code },
        {
          copies: body.copies,
          ...(body.sheetId ? { sheet: body.sheetId, first: body.firstLabel ?? 1 } : {}),
          ...(body.firstBottle ? { firstBottle: body.firstBottle } : {}),
          cutMarks: form.values.cutMarks,
        },
      );
      window.open(file, '_blank', 'noopener');
    },
  });
  return form;
}

type Form = ReturnType<typeof usePrint>;

function Differences({ label, form }: { label: LabelView; form: Form }) {
  if (label.differences.length === 0) return null;
  return (
    <Caution className="basis-full">
      <strong>What went in differs from the formula.</strong>
      <ul className="mt-1 list-disc pl-5">
        {label.differences.map((d) => (
          <li key={d}>{d}</li>
        ))}
      </ul>
      <Tick className="mt-2 font-semibold" {...form.register('seen')}>
        I have seen it; the label says what went in.
      </Tick>
    </Caution>
  );
}

function OnSheet({ sheets, form, faces }: { sheets: LabelSheet[]; form: Form; faces: number }) {
  const sheet = sheets.find((s) => s.id === form.values.sheetId);
  const copies = figureIn(form.values.copies) ?? 0;
  const first = figureIn(form.values.firstLabel) ?? 1;
  return (
    <>
      <Choice
        className="w-60"
        label="Printed on"
        {...form.field('sheetId')}
        hint={
          sheet && copies > 0
            ? `${plural(sheetsFor(sheet.measures, first, copies * faces), 'sheet')} of ${sheet.measures.rows * sheet.measures.columns}`
            : 'One label a page, at its own size.'
        }
        options={[
          ['', 'single labels'],
          ...sheets.filter((s) => !s.retired).map((s) => [s.id, s.name] as const),
        ]}
      />
      {sheet ? (
        <Field
          className="w-32"
          label="First label"
          figure
          inputMode="numeric"
          {...form.field('firstLabel')}
        />
      ) : (
        <Tick className="mt-6 min-h-10" {...form.register('cutMarks')}>
          Cut marks
        </Tick>
      )}
    </>
  );
}

function Reprint({ lot, form }: { lot: Props['lot']; form: Form }) {
  const prints = standing(lot.prints);
  if (prints.length === 0) return null;
  return (
    <>
      <Choice
        className="w-60"
        label="Reprint"
        {...form.field('reprintOf')}
        options={[
          ['', 'no: additional labels'],
          ...prints.map((p) => [p.id, `${plural(p.copies, 'label')} of ${dayMonthYear(p.at)}`] as const),
        ]}
      />
      {form.values.reprintOf && (
        <Field className="w-60" label="Why" placeholder="smeared" {...form.field('why')} />
      )}
    </>
  );
}

/** Prints the label: how many, on which sheet, from which label and bottle on. */
export function PrintForm(props: Props) {
  const { lot, label, faces } = props;
  const sheets = useSheets();
  const form = usePrint(props);
  const beyond = (figureIn(form.values.copies) ?? 0) * faces - label.blanks;
  if (label.refusal)
    return (
      <Caution tone="stop">
        <strong>Not printed.</strong> {label.refusal}
      </Caution>
    );
  return (
    <form className="flex flex-wrap items-start gap-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Differences label={label} form={form} />
      <Field
        className="w-28"
        label={faces > 1 ? 'Bottles' : 'Labels'}
        figure
        inputMode="numeric"
        {...form.field('copies')}
        hint={`${label.blanks} blank in stock`}
      />
      <OnSheet sheets={sheets.data ?? []} form={form} faces={faces} />
      {label.design.numbered && (
        <Field
          className="w-32"
          label="First bottle"
          figure
          inputMode="numeric"
          {...form.field('firstBottle')}
        />
      )}
      <Reprint lot={lot} form={form} />
      {beyond > 0 && (
        <Caution tone="hold" className="basis-full">
          {plural(beyond, 'label')} more than the {label.blanks} blank in stock. It prints all the same: take
          in the roll it comes from, or count the blanks anew.
        </Caution>
      )}
      <div className="mt-6 flex flex-wrap items-center gap-4">
        <Button type="submit" disabled={form.busy || (label.differences.length > 0 && !form.values.seen)}>
          Print as PDF
        </Button>
        <Link className="text-link underline" to="/labels/sheets">
          Label sheets
        </Link>
      </div>
    </form>
  );
}
