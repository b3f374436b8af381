import type { LotView } from '@inch/contract/making/lot';
import { useState } from 'react';
import { Link } from 'react-router';
import { Ruled } from '../ui/Sheet.tsx';

type Gate = LotView['gates'][number];

type Evidence = Gate['evidence'][number];

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

type Verdict = 'Passed' | 'Missing' | 'Failed';

const verdictOf = (gate: Gate): Verdict => (gate.open ? 'Passed' : gate.failed ? 'Failed' : 'Missing');

const LOOKS: Record<Verdict, { words: string; colour: string; mark: string }> = {
  Passed: { words: 'text-go', colour: 'var(--go)', mark: 'M8 14.5l4 4 8-9' },
  Missing: { words: 'text-hold', colour: 'var(--hold)', mark: 'M9 14h10' },
  Failed: { words: 'text-stop', colour: 'var(--stop)', mark: 'M9.5 9.5l9 9M18.5 9.5l-9 9' },
};

/** How a release check stands, as on the lids: a tick, a dash or a cross in a ring. */
function VerdictMark({ verdict }: { verdict: Verdict }) {
  const { colour, mark } = LOOKS[verdict];
  return (
    <svg viewBox="0 0 28 28" width="28" height="28" className="shrink-0" aria-hidden="true">
      <circle cx="14" cy="14" r="11.5" fill="none" stroke={colour} strokeWidth="2.5" />
      <path
        d={mark}
        fill="none"
        stroke={colour}
        strokeWidth="3"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}

/** What wants a hand stands first: failed, then missing, then passed. */
const ORDER: Record<Verdict, number> = { Failed: 0, Missing: 1, Passed: 2 };
const inOrder = (gates: readonly Gate[]): Gate[] =>
  [...gates].sort((a, b) => ORDER[verdictOf(a)] - ORDER[verdictOf(b)]);

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
        {inOrder(lot.gates).map((gate) => {
          const verdict = verdictOf(gate);
          const place = PLACES[gate.id](lot.code, lot);
          return (
            <li
              key={gate.id}
              data-gate={gate.id}
              data-open={gate.open}
              className="flex gap-3 border-b border-steel-line py-2.5"
            >
              <VerdictMark verdict={verdict} />
              <div className="min-w-0 flex-1">
                <p className="font-semibold">
                  {gate.question} <span className={LOOKS[verdict].words}>{verdict}</span>
                </p>
                <Shown gate={gate} code={lot.code} />
                {gate.missing && (
                  <p className={`text-sm font-semibold ${LOOKS[verdict].words}`}>
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
