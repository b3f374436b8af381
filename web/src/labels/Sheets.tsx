import { type LabelSheet, labelSheetRoutes, NewLabelSheet } from '@inch/contract/making/labelSheet';
import { PAPERS, type SheetMeasures, sheetPlaces, whyNoSheet } from '@inch/core/label';
import { useState } from 'react';
import { Link } from 'react-router';
import { urlOf } from '../data/address.ts';
import { call } from '../data/api.ts';
import { useMayWrite } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Tick } from '../ui/Tick.tsx';
import { Unread } from '../ui/Unread.tsx';
import { useSheets } from './PrintForm.tsx';

/** A sheet as it lies on the table: every label in its place, the first numbered. */
function SheetDrawing({ measures, width }: { measures: SheetMeasures; width: number }) {
  if (whyNoSheet(measures) !== null) return null;
  const paper = PAPERS[measures.paper];
  const places = sheetPlaces(measures, 1, measures.rows * measures.columns);
  return (
    <svg
      role="img"
      aria-label={`${places.length} labels on ${measures.paper}`}
      viewBox={`0 0 ${paper.widthMm} ${paper.heightMm}`}
      style={{ width }}
      className="shadow-[0_1px_4px_rgba(20,27,45,0.25)]"
    >
      <rect width={paper.widthMm} height={paper.heightMm} fill="#ffffff" />
      {places.map(({ xMm, yMm }, i) =>
        measures.round ? (
          <circle
            key={i}
            cx={xMm + measures.labelWidthMm / 2}
            cy={yMm + measures.labelWidthMm / 2}
            r={measures.labelWidthMm / 2}
            fill="#EFF3F2"
            stroke="#8793A3"
          />
        ) : (
          <rect
            key={i}
            {...{ x: xMm, y: yMm, width: measures.labelWidthMm, height: measures.labelHeightMm, rx: 2 }}
            fill="#EFF3F2"
            stroke="#8793A3"
          />
        ),
      )}
    </svg>
  );
}

const FIGURES = {
  rows: 'Rows',
  columns: 'Columns',
  labelWidthMm: 'Label wide, mm',
  labelHeightMm: 'Label high, mm',
  leftMm: 'Left margin, mm',
  topMm: 'Top margin, mm',
  acrossMm: 'Gap across, mm',
  downMm: 'Gap down, mm',
  shiftXMm: 'Move prints right, mm',
  shiftYMm: 'Move prints down, mm',
} as const;
type Figure = keyof typeof FIGURES;

const EMPTY: Record<Figure, string> & { name: string; paper: string; round: boolean } = {
  name: '',
  paper: 'A4',
  round: false,
  rows: '7',
  columns: '3',
  labelWidthMm: '63',
  labelHeightMm: '38',
  leftMm: '8',
  topMm: '12',
  acrossMm: '2.5',
  downMm: '1',
  shiftXMm: '0',
  shiftYMm: '0',
};

const asTyped = (sheet: LabelSheet): typeof EMPTY => ({
  name: sheet.name,
  paper: sheet.measures.paper,
  round: sheet.measures.round,
  ...(Object.fromEntries(
    (Object.keys(FIGURES) as Figure[]).map((f) => [f, String(sheet.measures[f])]),
  ) as Record<Figure, string>),
});

function useSheetForm(sheet: LabelSheet | null, onClose: () => void) {
  return useDeedForm({
    of: 'label-sheet',
    draft: `sheet ${sheet?.id ?? 'new'}`,
    empty: sheet ? asTyped(sheet) : EMPTY,
    schema: NewLabelSheet,
    read: (a, fields) => ({
      name: a.name,
      measures: {
        paper: a.paper,
        round: a.round,
        ...Object.fromEntries(
          (Object.keys(FIGURES) as Figure[]).map((f) => [
            f,
            fields.figure(f, {
              unit: f === 'rows' || f === 'columns' ? '' : 'mm',
              whole: f === 'rows' || f === 'columns',
              min: f.startsWith('shift') ? -10 : 0,
            }) ?? undefined,
          ]),
        ),
      },
    }),
    fieldAt: (path) =>
      path.startsWith('measures.') ? (path.slice(9) as Figure) : path === 'measures' ? 'name' : undefined,
    write: (body): Promise<{ id: string }> =>
      sheet
        ? call(labelSheetRoutes.change, {
            params: { id: sheet.id },
            body: { name: body.name, measures: body.measures, revision: sheet.revision },
          })
        : call(labelSheetRoutes.add, { body }),
    done: 'Saved',
    after: onClose,
  });
}

function SheetDialog({ sheet, onClose }: { sheet: LabelSheet | null; onClose: () => void }) {
  const form = useSheetForm(sheet, onClose);
  return (
    <Dialog open onClose={onClose} title={sheet ? sheet.name : 'Add a label sheet'}>
      <form className="grid grid-cols-2 gap-x-4 gap-y-3" onSubmit={form.submit}>
        <DraftNote form={form} />
        <Field label="Name" placeholder="A4, 21 labels" {...form.field('name')} />
        <Choice label="Paper" {...form.field('paper')} options={Object.keys(PAPERS).map((p) => [p, p])} />
        {(Object.keys(FIGURES) as Figure[]).map((f) => (
          <Field key={f} label={FIGURES[f]} figure inputMode="decimal" {...form.field(f)} />
        ))}
        <Tick className="col-span-full" {...form.register('round')}>
          The labels are round
        </Tick>
        <FormEnd onCancel={onClose} disabled={form.busy} />
      </form>
    </Dialog>
  );
}

function SheetRow({ sheet, edit, mayWrite }: { sheet: LabelSheet; edit: () => void; mayWrite: boolean }) {
  const { measures } = sheet;
  const retire = useWrite('label-sheet', () =>
    call(labelSheetRoutes.retire, { params: { id: sheet.id }, body: { retired: !sheet.retired } }),
  );
  return (
    <li className="flex flex-wrap items-center gap-5 border-b border-steel-line py-3">
      <SheetDrawing measures={measures} width={64} />
      <div className="min-w-0 flex-1">
        <p className={`font-semibold ${sheet.retired ? 'text-ink-2' : ''}`}>
          {sheet.name}
          {sheet.retired && ' · out of use'}
        </p>
        <p className="text-sm text-ink-2">
          {measures.paper}, {measures.columns} × {measures.rows} labels of{' '}
          <span className="figure">
            {measures.labelWidthMm} × {measures.labelHeightMm} mm
          </span>
          {(measures.shiftXMm !== 0 || measures.shiftYMm !== 0) &&
            `; prints moved right by ${measures.shiftXMm} and down by ${measures.shiftYMm} mm`}
        </p>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <a
          className="inline-flex min-h-10 items-center px-2 text-link underline"
          href={urlOf(labelSheetRoutes.calibrationPage.path, { id: sheet.id }, {})}
          target="_blank"
          rel="noopener noreferrer"
        >
          Calibration page
        </a>
        {mayWrite && (
          <>
            <Button tone="quiet" size="small" onClick={edit}>
              Change
            </Button>
            <Button tone="quiet" size="small" disabled={retire.busy} onClick={() => retire.run(undefined)}>
              {sheet.retired ? 'Restore' : 'Retire'}
            </Button>
          </>
        )}
      </div>
    </li>
  );
}

/** Sheets of blank labels by their measures, and what the printer is off by. */
export function Sheets() {
  const { data, error, refetch } = useSheets();
  const mayWrite = useMayWrite();
  const [open, setOpen] = useState<LabelSheet | 'new' | null>(null);
  if (!data) return <Unread title="Label sheets" error={error} retry={refetch} />;
  return (
    <Sheet>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1>Label sheets</h1>
        <div className="flex items-center gap-4">
          <Link className="text-link underline" to="/labels">
            Labels
          </Link>
          {mayWrite && <Button onClick={() => setOpen('new')}>Add a sheet</Button>}
        </div>
      </div>
      {data.length === 0 ? (
        <Empty title="No sheets yet">
          Measure a sheet of blank labels: rows, columns, margins and gaps. Labels are then printed on it from
          any label on.
        </Empty>
      ) : (
        <Ruled title="By their measures" className="mt-4">
          <ul>
            {data.map((sheet) => (
              <SheetRow key={sheet.id} sheet={sheet} mayWrite={mayWrite} edit={() => setOpen(sheet)} />
            ))}
          </ul>
        </Ruled>
      )}
      {open && <SheetDialog sheet={open === 'new' ? null : open} onClose={() => setOpen(null)} />}
    </Sheet>
  );
}
