import type { FormulaHead } from '@inch/contract/making/formula';
import { extractionMethods, type FormulaContent } from '@inch/core/formula';
import { plural } from '@inch/core/quantity';
import { Suspense, useDeferredValue, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useArchived, useFormulas } from '../data/formulas.ts';
import { useMayWrite } from '../data/session.tsx';
import { Button, buttonLook } from '../ui/Button.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { useKey } from '../ui/keys.tsx';
import { lazyPart } from '../ui/lazyPart.ts';
import { Empty, Sheet } from '../ui/Sheet.tsx';
import { Fruit } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { compareLink } from './compareLink.ts';

// The names stand at once; what reckons the figures comes after them.
const Figures = lazyPart(async () => (await import('./forecast/Figures.tsx')).Figures);
const ImportFormula = lazyPart(async () => (await import('./bringIn/ImportFormula.tsx')).ImportFormula);

/** "cold, with sugar, then cooked soft": how its flavour is drawn, in the order of its steps. */
function drawnWords(content: FormulaContent): string {
  const names = content.steps.flatMap((s) =>
    s.method ? [extractionMethods[s.method].name.toLowerCase()] : [],
  );
  return names.join(', then ');
}

interface RowProps {
  formula: FormulaHead;
  picked: boolean;
  pick: (on: boolean) => void;
}

function FormulaRow({ formula, picked, pick }: RowProps) {
  const drawn = drawnWords(formula.content as FormulaContent);
  // Reckoned a row at a time, so that a slow device answers a finger meanwhile.
  const figures = useDeferredValue(true, false);
  return (
    <li className="flex items-center gap-3 border-b border-steel-line hover:bg-enamel-cool">
      <input
        type="checkbox"
        aria-label={`Compare ${formula.name}`}
        className="size-4.5 shrink-0 accent-[var(--rim)]"
        checked={picked}
        onChange={(e) => pick(e.target.checked)}
      />
      <Link
        to={`/formulas/${formula.id}`}
        className="grid min-w-0 flex-1 grid-cols-[1.5rem_1fr_5.5rem_6rem_9rem_6rem] items-center gap-x-4 py-3 max-md:grid-cols-[1.5rem_1fr_5rem]"
      >
        <Fruit colour={formula.colour} size={18} />
        <span className="min-w-0">
          <span className="block truncate text-[17px] font-semibold">{formula.name}</span>
          <span className="block truncate text-sm text-ink-2">
            {formula.kind}
            {drawn && `, ${drawn}`} · version {formula.version}, {dayMonthYear(formula.savedAt)} ·{' '}
            {plural(formula.lots, 'lot')}
          </span>
        </span>
        {figures && (
          <Suspense fallback={null}>
            <Figures formula={formula} />
          </Suspense>
        )}
      </Link>
    </li>
  );
}

function Rows({
  formulas,
  picks,
  setPicks,
}: {
  formulas: readonly FormulaHead[];
  picks: readonly string[];
  setPicks: (picks: string[]) => void;
}) {
  return (
    <ul className="mt-5 border-t border-ink">
      {formulas.map((formula) => (
        <FormulaRow
          key={formula.id}
          formula={formula}
          picked={picks.includes(formula.id)}
          pick={(on) =>
            setPicks(on ? [...picks, formula.id].slice(-4) : picks.filter((id) => id !== formula.id))
          }
        />
      ))}
    </ul>
  );
}

/** The kitchen's formulas, each with what its newest version is forecast to be. */
export function Library() {
  const { data: read, error, refetch } = useFormulas();
  // Drawn in slices, so that a slow device answers a finger meanwhile.
  const data = useDeferredValue(read);
  const navigate = useNavigate();
  const mayWrite = useMayWrite();
  const [picks, setPicks] = useState<string[]>([]);
  const [bringing, setBringing] = useState(false);
  const [away, setAway] = useState(false);
  const put = useArchived(away);
  useKey('n', 'new formula', () => mayWrite && navigate('/formulas/new'));
  if (!data) return <Unread title="Formulas" error={error} retry={refetch} />;
  const archived = put.data?.pages.flat();
  const shown = away ? (archived ?? []) : data.filter((f) => !f.archived);
  const chosen = [...data, ...(archived ?? [])]
    .filter((f) => picks.includes(f.id))
    .map((f) => ({ id: f.id, version: f.version }));
  return (
    <Sheet>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1>Formulas</h1>
          <p className="text-ink-2">
            {away ? 'Archived, kept with their lots' : `${plural(shown.length, 'product')}, each as forecast`}
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-2">
          {chosen.length > 1 && (
            <Link to={compareLink(chosen)} className={buttonLook({ tone: 'plain' })}>
              Compare {chosen.length} side by side
            </Link>
          )}
          <Link to="/formulas/ingredients" className={buttonLook({ tone: 'quiet' })}>
            Ingredients and measures
          </Link>
          {mayWrite && (
            <>
              <Button tone="plain" onClick={() => setBringing(true)}>
                Import…
              </Button>
              <Link to="/formulas/new" className={buttonLook({})}>
                New formula
              </Link>
            </>
          )}
        </div>
      </div>
      {away && !archived ? (
        <Unread title="Archived" error={put.error} retry={put.refetch} />
      ) : shown.length === 0 ? (
        <Empty title={away ? 'No archived formulas' : 'No formulas yet'}>
          Say what goes in as you would on a scrap of paper, and see how sweet and sharp it comes out before
          you buy.
        </Empty>
      ) : (
        <Rows formulas={shown} picks={picks} setPicks={setPicks} />
      )}
      {away && put.hasNextPage && (
        <Button
          tone="plain"
          className="mt-3"
          disabled={put.isFetchingNextPage}
          onClick={() => void put.fetchNextPage()}
        >
          Show more
        </Button>
      )}
      <Button tone="quiet" size="small" className="mt-3" onClick={() => setAway(!away)}>
        {away ? 'Back to the formulas in use' : 'Archived formulas'}
      </Button>
      {bringing && (
        <Suspense fallback={null}>
          <ImportFormula onClose={() => setBringing(false)} />
        </Suspense>
      )}
    </Sheet>
  );
}
