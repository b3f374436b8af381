import { type SpreadsheetPreview, spreadsheetRoutes } from '@inch/contract/kitchen/spreadsheet';
import type { Matched, SpreadsheetKind } from '@inch/core/spreadsheet';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useWrite } from '../data/useWrite.ts';
import type { SheetOfFile } from '../workers/spreadsheet.ts';
import type { SpreadsheetAnswer } from '../workers/spreadsheet.worker.ts';

type Order = 'date-first' | 'month-first';

/** A file as it was opened: told from another of the same name by when that was. */
interface Opened {
  file: File;
  name: string;
  at: number;
  sheets: SheetOfFile[];
}

/** Reads a file beside the page, which a long one would hold up. */
function open(file: File, sign?: string): Promise<SpreadsheetAnswer> {
  const worker = new Worker(new URL('../workers/spreadsheet.worker.ts', import.meta.url), { type: 'module' });
  return new Promise<SpreadsheetAnswer>((resolve) => {
    worker.onmessage = ({ data }: MessageEvent<SpreadsheetAnswer>) => resolve(data);
    worker.onerror = (event) => resolve({ error: event.message || 'The file cannot be read.' });
    worker.postMessage({ file, sign });
  }).finally(() => worker.terminate());
}

/** The heading of a sheet, what stands under it, and where that begins: the first row with anything in two cells is the heading. */
function parted({ rows }: SheetOfFile) {
  const filled = (row: string[]) => row.filter((cell) => cell.trim() !== '').length;
  const wide = rows.findIndex((row) => filled(row) > 1);
  const at = wide >= 0 ? wide : rows.findIndex((row) => filled(row) > 0);
  const under = at < 0 ? [] : rows.slice(at + 1);
  return { header: rows[at] ?? [], rows: under, firstRow: at + 2 };
}

/** What was put right of a file on the page: cells by row and column, and rows that are left out. */
interface Mended {
  cells: ReadonlyMap<string, string>;
  out: ReadonlySet<number>;
}
const NOTHING: Mended = { cells: new Map(), out: new Set() };

/** A row as it was put right; one that is left out keeps its place, empty. */
function mendedRow(cells: string[], row: number, { cells: own, out }: Mended): string[] {
  if (out.has(row)) return [];
  return own.size === 0 ? cells : cells.map((cell, column) => own.get(`${row}:${column}`) ?? cell);
}

function usePreview(
  kind: SpreadsheetKind,
  opened: Opened | null,
  at: number,
  { columns, order, mended }: { columns: Matched | null; order: Order | null; mended: Mended },
) {
  const sheet = opened?.sheets[at];
  const { header, rows: under, firstRow } = sheet ? parted(sheet) : { header: [], rows: [], firstRow: 2 };
  const rows = under.map((cells, i) => mendedRow(cells, i, mended));
  const query = useQuery({
    queryKey: [
      ...keys.list('spreadsheet'),
      'preview',
      opened?.at,
      kind,
      at,
      columns,
      order,
      [...mended.cells],
      [...mended.out],
    ],
    queryFn: () =>
      call(spreadsheetRoutes.preview, {
        body: { kind, header, rows, firstRow, ...(columns ? { columns } : {}), ...(order ? { order } : {}) },
      }),
    enabled: rows.length > 0,
    gcTime: 0,
    placeholderData: keepPreviousData,
  });
  return { ...query, header, rows, under, firstRow };
}
export type Preview = SpreadsheetPreview;

/** A spreadsheet on its way in: the file, what it has, how its columns are matched, what would come of it. */
export function useImport(done: (rows: number) => void) {
  const [kind, setKind] = useState<SpreadsheetKind>('lots');
  const [opened, setOpened] = useState<Opened | null>(null);
  const [fault, setFault] = useState('');
  const [reading, setReading] = useState(false);
  const [at, setAt] = useState(0);
  const [columns, setColumns] = useState<Matched | null>(null);
  const [order, setOrder] = useState<Order | null>(null);
  const [mended, setMended] = useState(NOTHING);
  const preview = usePreview(kind, opened, at, { columns, order, mended });
  const anew = () => {
    setColumns(null);
    setOrder(null);
    setMended(NOTHING);
  };
  const write = useWrite(
    'spreadsheet',
    (_: undefined, idOf) =>
      call(spreadsheetRoutes.bringIn, {
        body: {
          id: idOf(),
          kind,
          fileName: opened!.name,
          columns: preview.data!.columns,
          firstRow: preview.firstRow,
          rows: preview.rows,
          ...(order ? { order } : {}),
        },
      }),
    {
      after: ({ rows }) => {
        setOpened(null);
        done(rows);
      },
    },
  );
  const choose = async (file: File, sign?: string) => {
    setReading(true);
    setFault('');
    const answer = await open(file, sign);
    setReading(false);
    anew();
    setAt(0);
    if ('error' in answer) setFault(answer.error);
    setOpened('error' in answer ? null : { file, name: file.name, at: Date.now(), sheets: answer.sheets });
  };
  return {
    kind,
    opened,
    fault,
    reading,
    at,
    order,
    preview,
    write,
    choose,
    /** Reads the file again with another sign between its cells. */
    partBy: (sign: string) => opened && choose(opened.file, sign),
    mended,
    setCell: (row: number, column: number, text: string) =>
      setMended({ ...mended, cells: new Map([...mended.cells, [`${row}:${column}`, text]]) }),
    leaveOut: (row: number) =>
      setMended({
        ...mended,
        out: mended.out.has(row)
          ? new Set([...mended.out].filter((other) => other !== row))
          : new Set([...mended.out, row]),
      }),
    setKind: (next: SpreadsheetKind) => {
      setKind(next);
      anew();
    },
    setAt: (next: number) => {
      setAt(next);
      anew();
    },
    setOrder,
    match: (field: string, column: number | null) =>
      setColumns({ ...preview.data?.columns, ...columns, [field]: column }),
  };
}
export type Importing = ReturnType<typeof useImport>;
