import { money, plural } from '@inch/core/quantity';
import { type SpreadsheetColumn, spreadsheetKinds } from '@inch/core/spreadsheet';
import { useCatalogue } from '../data/catalogue.ts';
import { useSession } from '../data/session.tsx';
import { Button } from '../ui/Button.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Choice } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Caution } from '../ui/State.tsx';
import { Bars, ReadFault } from '../ui/Unread.tsx';
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

function Faults({ kind, shown }: { kind: Importing['kind']; shown: Preview }) {
  const nameOf = (field: string) => columnsOf(kind).find((c) => c.field === field)?.name ?? field;
  return (
    <Caution className="my-3">
      <strong>{plural(shown.faultCount, 'cell')} cannot be taken, so nothing can be imported yet.</strong>{' '}
      Correct {shown.faultCount === 1 ? 'it' : 'them'} in the spreadsheet and choose the file again, or match
      the columns anew.
      <ul className="mt-2 max-h-64 overflow-y-auto">
        {shown.faults.map((fault) => (
          <li key={`${fault.row} ${fault.field}`}>
            Row <span className="figure">{fault.row}</span>, {nameOf(fault.field)}: {fault.says}
          </li>
        ))}
      </ul>
      {shown.faultCount > shown.faults.length && (
        <p className="mt-1">and {shown.faultCount - shown.faults.length} more.</p>
      )}
    </Caution>
  );
}

function Sample({ kind, shown }: { kind: Importing['kind']; shown: Preview }) {
  const columns = columnsOf(kind).filter(({ field }) => shown.columns[field] !== null && field !== 'unit');
  const said = useShown();
  if (shown.sample.length === 0) return null;
  return (
    <Ruled title="The first rows, as they are understood" className="mt-4">
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls is reached by the keyboard */}
      <section className="overflow-x-auto" aria-label="The first rows" tabIndex={0}>
        <table className="w-full text-left">
          <thead>
            <tr className="text-sm text-ink-2">
              <th className="py-1.5 pr-4 font-semibold">Row</th>
              {columns.map(({ field, name }) => (
                <th key={field} className="py-1.5 pr-4 font-semibold">
                  {UNITS[field] ? `${name}, ${UNITS[field]}` : name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.sample.map((row) => (
              <tr key={row.row} className="border-t border-steel-line">
                <td className="figure py-1.5 pr-4 text-ink-2">{row.row}</td>
                {columns.map((column) => (
                  <td key={column.field} className="py-1.5 pr-4">
                    {said(column, row[column.field] ?? null)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
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
  const { preview, write, kind } = incoming;
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
      {shown.faultCount > 0 && <Faults kind={kind} shown={shown} />}
      <Sample kind={kind} shown={shown} />
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
