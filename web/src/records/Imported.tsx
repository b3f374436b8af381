import type { Contact } from '@inch/contract/kitchen/contact';
import { dayMonthYear } from '../ui/dates.ts';

/** Says that something came from a spreadsheet and was not recorded here. */
export function Imported({ from }: { from: Contact['broughtIn'] }) {
  if (!from) return null;
  return (
    <span className="block text-sm text-ink-2">
      imported from {from.fileName}, row <span className="figure">{from.row}</span>, {dayMonthYear(from.at)}
    </span>
  );
}
