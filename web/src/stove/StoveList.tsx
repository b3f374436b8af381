import { Suspense, useDeferredValue } from 'react';
import { Link } from 'react-router';
import { useLotsOnHand } from '../data/lots.ts';
import { useMayWrite } from '../data/session.tsx';
import { buttonLook } from '../ui/Button.tsx';
import { dayAndTime } from '../ui/dates.ts';
import { lazyPart } from '../ui/lazyPart.ts';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Fruit } from '../ui/State.tsx';
import { Bars, ReadFault } from '../ui/Unread.tsx';

const StartLot = lazyPart(async () => (await import('./StartLot.tsx')).StartLot);

/** The lots on the stove, and the way to start another. */
export function StoveList() {
  const { data: read, error, refetch } = useLotsOnHand();
  // Drawn in slices, so that a slow device answers a finger meanwhile.
  const data = useDeferredValue(read);
  const mayWrite = useMayWrite();
  const making = data?.lots.filter((lot) => lot.state === 'making' || lot.state === 'planned') ?? [];
  return (
    <Sheet
      asideLabel="Start a lot"
      aside={
        mayWrite ? (
          <Ruled title="Start a lot">
            <Suspense fallback={<Bars rows={4} />}>
              <StartLot />
            </Suspense>
          </Ruled>
        ) : undefined
      }
    >
      <h1>Stove</h1>
      {!data && (error ? <ReadFault error={error} retry={refetch} /> : <Bars rows={3} />)}
      {data && making.length === 0 && (
        <Empty title="Nothing is on the stove">
          Start a lot from a formula: its steps become the run sheet, and what you measure becomes the record.
        </Empty>
      )}
      <ul className="mt-4 border-t border-ink empty:hidden">
        {making.map((lot) => (
          <li key={lot.id} className="flex items-center gap-4 border-b border-steel-line py-4">
            <Fruit colour={lot.colour} size={20} />
            <span className="figure w-16 text-xl font-bold">{lot.code}</span>
            <span className="min-w-0 flex-1">
              <span className="block text-lg font-semibold">{lot.name}</span>
              <span className="block text-ink-2">
                {lot.step} · begun {dayAndTime(lot.begunAt)}
              </span>
            </span>
            <Link to={`/stove/${lot.code}`} className={buttonLook({})} aria-label={`Open lot ${lot.code}`}>
              {' '}
              Open{' '}
            </Link>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
