import type { JournalRow } from '@inch/contract/kitchen/journal';
import { lateBy } from '@inch/core/record';
import { Link } from 'react-router';
import { dayAndTime } from '../../ui/dates.ts';
import { detailsOf } from './details.ts';

/** When what a journal row says happened, where that was earlier than it was written. */
function Happened({ row }: { row: { at: string; payload: unknown } }) {
  const { at } = (row.payload ?? {}) as { at?: unknown };
  if (typeof at !== 'string' || lateBy({ at, recordedAt: row.at }, null) === null) return null;
  return <span className="block text-hold">of {dayAndTime(at)}</span>;
}

const HEADS = ['No.', 'When', 'Who', 'What', 'Details', 'Hash'];

/** Changes in a table, each with the beginning of its hash; where it is of a lot, the way there. */
export function JournalTable({ rows }: { rows: readonly (JournalRow & { lot?: string | null })[] }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-ink-2">
            {HEADS.map((head) => (
              <th key={head} scope="col" className="py-1.5 pr-3 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.sequence} className="border-b border-steel-line align-top">
              <td className="figure py-1.5 pr-3">{row.sequence}</td>
              <td className="py-1.5 pr-3 whitespace-nowrap">
                {dayAndTime(row.at)}
                <Happened row={row} />
              </td>
              <td className="py-1.5 pr-3">{row.by}</td>
              <td className="py-1.5 pr-3 whitespace-nowrap">
                {row.noun}: {row.action}
                {row.lot && (
                  <Link className="figure ml-2 text-link underline" to={`/records/${row.lot}`}>
                    {row.lot}
                  </Link>
                )}
              </td>
              <td className="max-w-72 py-1.5 pr-3 text-ink-2">
                <span className="line-clamp-2" title={detailsOf(row.payload)}>
                  {detailsOf(row.payload)}
                </span>
              </td>
              <td className="figure py-1.5 text-ink-2">{row.hash.slice(0, 8)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
