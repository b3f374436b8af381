import type { LotHead } from '@inch/contract/making/lot';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { dayMonthYear } from '../../ui/dates.ts';
import { Fruit, lotTone, State } from '../../ui/State.tsx';

/** A lot as a row that leads somewhere, with its state and a word at the end. */
export function LotRow({ lot, to, end }: { lot: LotHead; to: string; end: ReactNode }) {
  return (
    <Link
      to={to}
      className="grid grid-cols-[1.25rem_4.5rem_1fr_9rem_12rem] items-center gap-x-4 border-b border-steel-line py-3 hover:bg-enamel-cool max-md:grid-cols-[1.25rem_4.5rem_1fr]"
    >
      <Fruit colour={lot.colour} size={15} />
      <span className="figure text-lg font-bold">{lot.code}</span>
      <span className="min-w-0">
        <span className="block truncate font-semibold">{lot.name}</span>
        <span className="block text-sm text-ink-2">{dayMonthYear(lot.begunAt)}</span>
      </span>
      <State tone={lotTone(lot.state)} className="max-md:col-start-3">
        {lot.state}
      </State>
      <span className="text-right text-sm text-ink-2 max-md:hidden">{end}</span>
    </Link>
  );
}

/** Lots as rows that lead somewhere. */
export function LotList({
  lots,
  to,
  end,
}: {
  lots: LotHead[];
  to: (lot: LotHead) => string;
  end: (lot: LotHead) => ReactNode;
}) {
  return (
    <ul>
      {lots.map((lot) => (
        <li key={lot.id}>
          <LotRow lot={lot} to={to(lot)} end={end(lot)} />
        </li>
      ))}
    </ul>
  );
}
