import { money, plural } from '@inch/core/quantity';
import { type SpreadsheetColumn, spreadsheetKinds } from '@inch/core/spreadsheet';
import { useState } from 'react';
import { useCatalogue } from '../data/catalogue.ts';
import { useSession } from '../data/session.tsx';
import { Button } from '../ui/Button.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Caution } from '../ui/State.tsx';
import { Bars, ReadFault } from '../ui/Unread.tsx';
import { Windowed } from '../ui/Windowed.tsx';
import type { Importing, Preview } from './useImport.ts';

const columnsOf = (kind: Importing['kind']): readonly SpreadsheetColumn[] => spreadsheetKinds[kind].columns;

const heading = (header: readonly string[], at: number): string => header[at]?.trim() || `column ${at + 1}`;

function Matching({ incoming, shown }: { incoming: Importing; shown: Preview }) {
  const { header, rows } = incoming.preview;
  const wide = Math.max(header.length, ...rows.slice(0, 50).map((row) => row.length));
  return (
    <div className="grid grid-cols-4 gap-3 py-3 max-lg:grid-cols-3 max-sm:grid-cols-2">
      {columnsOf(incoming.kind).map(({ field, name, required }) => (
        <Choice
          key={field}
          label={required ? `${name} (needed)` : name}
          value={shown.columns[field] ?? ''}
          onChange={(e) => incoming.match(field, e.target.value === '' ? null : Number(e.target.value))}
        >
          <option value="">none</option>
          {Array.from({ length: wide }, (_, at) => (
            <option key={at} value={at}>
              {heading(header, at)}
            </option>
          ))}
        </Choice>
      ))}
    </div>
  );
}

/** Which comes first in 3/4/2026, where the file does not say. */
function AskOrder({ incoming, shown }: { incoming: Importing; shown: Preview }) {
  if (!incoming.order && shown.order !== 'either' && shown.order !== 'both') return null;
  return (
    <div className="max-w-sm py-2">
      <Choice
        label="A day such as 03/04/2024 is"
        value={incoming.order ?? ''}
        onChange={(e) => incoming.setOrder((e.target.value || null) as Importing['order'])}
        options={[
          ['', 'choose'],
          ['date-first', '3 April 2024, the day first'],
          ['month-first', '4 March 2024, the month first'],
        ]}
      />
    </div>
  );
}

/** A cell that cannot be taken, written anew in its place; or its row left out. */
function FaultRow({
  incoming,
  fault,
  name,
  column,
}: {
  incoming: Importing;
  fault: Preview['faults'][number];
  name: string;
  column: number | null | undefined;
}) {
  const { rows, firstRow } = incoming.preview;
  const at = fault.row - firstRow;
  const said = typeof column === 'number' ? (rows[at]?.[column] ?? '') : null;
  const [text, setText] = useState(said ?? '');
  const keep = () => text !== said && incoming.setCell(at, column as number, text);
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-3 gap-y-1 border-t border-hold/30 py-2 max-sm:grid-cols-1">
      <span>
        Row <span className="figure">{fault.row}</span>, {name}: {fault.says}
      </span>
      {said !== null && at >= 0 && (
        <span className="flex items-center gap-2">
          <Field
            className="w-44"
            label={`Row ${fault.row}, ${name}`}
            labelHidden
            value={text}
            onChange={(e) => setText(e.target.value)}
            onBlur={keep}
            onKeyDown={(e) => e.key === 'Enter' && keep()}
          />
          <Button size="small" tone="quiet" onClick={() => incoming.leaveOut(at)}>
            Leave out row {fault.row}
          </Button>
        </span>
      )}
    </li>
  );
}

function Faults({ incoming, shown }: { incoming: Importing; shown: Preview }) {
  const nameOf = (field: string) => columnsOf(incoming.kind).find((c) => c.field === field)?.name ?? field;
  return (
    <Caution className="my-3">
      <strong>{plural(shown.faultCount, 'cell')} cannot be taken, so nothing can be imported yet.</strong>{' '}
      Write {shown.faultCount === 1 ? 'it' : 'them'} anew here, leave the row out, or match the columns anew.
      <ul className="mt-2 max-h-96 overflow-y-auto">
        {shown.faults.map((fault) => (
          <FaultRow
            key={`${fault.row} ${fault.field} ${shown.columns[fault.field]}`}
            incoming={incoming}
            fault={fault}
            name={nameOf(fault.field)}
            column={shown.columns[fault.field]}
          />
        ))}
      </ul>
      {shown.faultCount > shown.faults.length && (
        <p className="mt-1">and {shown.faultCount - shown.faults.length} more.</p>
      )}
    </Caution>
  );
}

/** Every row of the file: as it was understood, and under it as it is written where that is not the same. */
function AllRows({ incoming, shown }: { incoming: Importing; shown: Preview }) {
  const { under, rows, firstRow } = incoming.preview;
  const columns = columnsOf(incoming.kind).filter(
    ({ field }) => typeof shown.columns[field] === 'number' && field !== 'unit',
  );
  const said = useShown();
  const read = new Map(shown.sample.map((row) => [row.row, row]));
  const filled = under
    .map((cells, at) => ({ cells, at }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const grid = { gridTemplateColumns: `3.5rem repeat(${columns.length}, minmax(6rem, 1fr)) 7rem` };
  const writtenOf = (at: number, { field, as }: SpreadsheetColumn): string => {
    const cell = (name: string) =>
      rows[at]?.[shown.columns[name] ?? -1] ?? under[at]?.[shown.columns[name] ?? -1] ?? '';
    return as === 'amount' ? `${cell(field)} ${cell('unit')}`.trim() : cell(field);
  };
  return (
    <Ruled title="Every row, as it is understood" className="mt-4">
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls is reached by the keyboard */}
      <section className="overflow-x-auto" aria-label="Every row" tabIndex={0}>
        <div className="grid min-w-max gap-x-4 py-1.5 text-sm font-semibold text-ink-2" style={grid}>
          <span>Row</span>
          {columns.map(({ field, name }) => (
            <span key={field}>{UNITS[field] ? `${name}, ${UNITS[field]}` : name}</span>
          ))}
        </div>
        <Windowed
          items={filled}
          keyOf={({ at }) => String(at)}
          rowHeight={48}
          onEnd={() => undefined}
          render={({ at }) => {
            const out = incoming.mended.out.has(at);
            const row = read.get(firstRow + at);
            return (
              <div
                className={`grid min-w-max items-start gap-x-4 border-t border-steel-line py-1.5 ${out ? 'text-ink-2 line-through' : ''}`}
                style={grid}
              >
                <span className="figure text-ink-2">{firstRow + at}</span>
                {columns.map((column) => {
                  const written = writtenOf(at, column);
                  const understood = row ? said(column, row[column.field] ?? null) : '';
                  return (
                    <span key={column.field}>
                      {understood || written}
                      {understood !== '' && understood !== written && written !== '' && (
                        <span className="block text-xs text-ink-2">{written}</span>
                      )}
                    </span>
                  );
                })}
                <Button
                  size="small"
                  tone="quiet"
                  aria-label={`${out ? 'Put back' : 'Leave out'} row ${firstRow + at}`}
                  onClick={() => incoming.leaveOut(at)}
                >
                  {out ? 'Put back' : 'Leave out'}
                </Button>
              </div>
            );
          }}
        />
      </section>
    </Ruled>
  );
}

const UNITS: Record<string, string> = { bottleMl: 'mL', grams: 'g' };

/** Shows a value as it was understood: days with their month, prices in the kitchen's currency, ingredients by name. */
function useShown(): (column: SpreadsheetColumn, value: string | number | null) => string {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  return ({ as }, value) => {
    if (value === null) return '–';
    if (as === 'day') return dayMonthYear(`${value}T12:00:00Z`);
    if (as === 'price') return money(Number(value), kitchen.currency);
    if (as === 'ingredient') return catalogue.find(String(value))?.name ?? String(value);
    return typeof value === 'number' ? String(Math.round(value * 1000) / 1000) : value;
  };
}

/** How the columns of a file are matched, what is wrong, and what would come in. */
export function Columns({ incoming }: { incoming: Importing }) {
  const { preview, write } = incoming;
  if (preview.rows.length === 0) return <Caution>There is no row under the heading of this sheet.</Caution>;
  if (preview.error) return <ReadFault error={preview.error} retry={preview.refetch} />;
  const shown = preview.data;
  if (!shown) return <Bars rows={4} />;
  return (
    <div className={preview.isPlaceholderData ? 'opacity-60' : ''}>
      <Ruled title="Which column is which">
        <Matching incoming={incoming} shown={shown} />
        <AskOrder incoming={incoming} shown={shown} />
      </Ruled>
      {shown.faultCount > 0 && <Faults incoming={incoming} shown={shown} />}
      <AllRows incoming={incoming} shown={shown} />
      {write.error && <Caution className="my-3">{write.error.message}</Caution>}
      <Button
        className="mt-4"
        disabled={write.busy || shown.faultCount > 0 || shown.taken === 0 || preview.isPlaceholderData}
        onClick={() => write.run(undefined)}
      >
        {write.busy ? 'Importing…' : `Import ${plural(shown.taken, 'row')}`}
      </Button>
    </div>
  );
}
