import type { LotView } from '@inch/contract/lot';
import { Link } from 'react-router';
import { Ruled } from '../ui/Sheet.tsx';

type Gate = LotView['gates'][number];

const PLACES: Record<Gate['id'], (code: string) => { to: string; says: string } | null> = {
  'everything-in': (code) => ({ to: `/stove/${code}`, says: 'Stove' }),
  acid: (code) => ({ to: `/stove/${code}`, says: 'Stove' }),
  label: (code) => ({ to: `/labels/${code}`, says: 'Labels' }),
  heat: () => null,
  seal: () => null,
  count: () => null,
};

/** A gate drawn: two posts and a bar, across while it is shut, up when open. */
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

/** What stands between the bottles and the stall: each gate with its evidence and what it still waits for. */
export function Gates({ lot }: { lot: LotView }) {
  const open = lot.gates.filter((g) => g.open).length;
  return (
    <Ruled
      title="Gates"
      aside={
        <span className="figure text-sm font-bold">
          {open} of {lot.gates.length} open
        </span>
      }
    >
      <ul>
        {lot.gates.map((gate) => {
          const place = PLACES[gate.id](lot.code);
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
                  <span className={gate.open ? 'text-go' : 'text-hold'}>{gate.open ? 'Open' : 'Shut'}</span>
                </p>
                {gate.evidence.map((line, i) => (
                  <p key={i} className="text-sm text-ink-2">
                    {line}
                  </p>
                ))}
                {gate.missing && (
                  <p className="text-sm font-semibold text-hold">
                    {gate.missing}{' '}
                    {place && (
                      <Link to={place.to} className="text-link underline">
                        {place.says}
                      </Link>
                    )}
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
