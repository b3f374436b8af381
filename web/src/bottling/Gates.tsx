import type { LotView } from '@inch/contract/lot';
import { useState } from 'react';
import { Link } from 'react-router';
import { Ruled } from '../ui/Sheet.tsx';

type Gate = LotView['gates'][number];

type Evidence = Gate['evidence'][number];

/** Where what is missing is done. */
const PLACES: Record<Gate['id'], (code: string, lot: LotView) => { to: string; says: string }> = {
  // What goes in jar by jar is written down where the jars are ticked.
  'everything-in': (code, lot) =>
    lot.bottles.filled > 0
      ? { to: `/bottling/${code}/fill`, says: 'Fill' }
      : { to: `/stove/${code}`, says: 'Stove' },
  trace: (code, lot) =>
    lot.state === 'making'
      ? { to: `/bottling/${code}/fill`, says: 'Fill' }
      : { to: `/stove/${code}`, says: 'Stove' },
  making: (code) => ({ to: `/stove/${code}`, says: 'Stove' }),
  acid: (code) => ({ to: `/stove/${code}`, says: 'Stove' }),
  count: (code) => ({ to: `/bottling/${code}/fill`, says: 'Fill' }),
  heat: (code) => ({ to: `/bottling/${code}/process`, says: 'Process' }),
  seal: (code) => ({ to: `/bottling/${code}/seals`, says: 'Seals' }),
  label: (code) => ({ to: `/labels/${code}`, says: 'Labels' }),
  deviations: (code) => ({ to: `/bottling/${code}/release`, says: 'Release' }),
};

/** Where what a piece of evidence rests on is to be looked at. */
function placeOf({ noun, id }: NonNullable<Evidence['of']>, code: string): string {
  if (noun === 'instrument') return '/bench';
  if (noun === 'stock') return `/plan/stock#${id}`;
  return `/records/${code}#entry-${id}`;
}

/** At most so many pieces of evidence are shown at once. */
const SHOWN = 4;

function Shown({ gate, code }: { gate: Gate; code: string }) {
  const [all, setAll] = useState(false);
  const list = all ? gate.evidence : gate.evidence.slice(0, SHOWN);
  return (
    <>
      {list.map((e, i) => (
        <p key={`${i} ${e.words}`} className="text-sm text-ink-2">
          {e.of ? (
            <Link
              to={placeOf(e.of, code)}
              className="inline-block min-h-6 decoration-steel underline underline-offset-2 hover:text-link"
            >
              {e.words}
            </Link>
          ) : (
            e.words
          )}
        </p>
      ))}
      {gate.evidence.length > list.length && (
        <button type="button" className="min-h-6 text-sm text-link underline" onClick={() => setAll(true)}>
          {gate.evidence.length - list.length} more
        </button>
      )}
    </>
  );
}

/** A release check drawn as a gate: its bars across while it is missing, up when passed. */
function GateGlyph({ open }: { open: boolean }) {
  return (
    <svg viewBox="0 0 34 28" width="34" height="28" aria-hidden="true">
      <path d="M4 4v22M30 4v22" stroke="var(--ink-2)" strokeWidth="2.5" strokeLinecap="round" />
      {open ? (
        <path d="M5 22L14 3" stroke="var(--go)" strokeWidth="4" strokeLinecap="round" />
      ) : (
        <path d="M4 11h26M4 19h26" stroke="var(--hold)" strokeWidth="4" />
      )}
    </svg>
  );
}

/** The release checks of a lot: each with its evidence, and with what is missing. */
export function Gates({ lot }: { lot: LotView }) {
  const open = lot.gates.filter((g) => g.open).length;
  return (
    <Ruled
      title="Release checks"
      aside={
        <span className="figure text-sm font-bold">
          {open} of {lot.gates.length} passed
        </span>
      }
    >
      <ul>
        {lot.gates.map((gate) => {
          const place = PLACES[gate.id](lot.code, lot);
          return (
            <li
              key={gate.id}
              data-gate={gate.id}
              data-open={gate.open}
              className="flex gap-3 border-b border-steel-line py-2.5"
            >
              <GateGlyph open={gate.open} />
              <div className="min-w-0 flex-1">
                <p className="font-semibold">
                  {gate.question}{' '}
                  <span className={gate.open ? 'text-go' : 'text-hold'}>
                    {gate.open ? 'Passed' : 'Missing'}
                  </span>
                </p>
                <Shown gate={gate} code={lot.code} />
                {gate.missing && (
                  <p className="text-sm font-semibold text-hold">
                    {gate.missing}{' '}
                    <Link to={place.to} className="text-link underline">
                      {place.says}
                    </Link>
                  </p>
                )}
              </div>
            </li>
          );
        })}
      </ul>
    </Ruled>
  );
}
