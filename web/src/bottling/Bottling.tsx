import type { LotView } from '@inch/contract/making/lot';
import { Navigate, useParams } from 'react-router';
import { useLot } from '../data/lots.ts';
import { useMayWrite } from '../data/session.tsx';
import { Stopped } from '../parts/lot/Stopped.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { PartsNav } from '../ui/PartsNav.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { Caution, Fruit, lotTone, State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { Decide, UnderEarlierRules } from './Decide.tsx';
import { Fill } from './Fill.tsx';
import { Gates } from './Gates.tsx';
import { KeepInstead } from './KeepInstead.tsx';
import { Process } from './Process.tsx';
import { Release } from './Release.tsx';
import { Seals } from './Seals.tsx';

function Dates({ lot }: { lot: LotView }) {
  const { keeping } = lot;
  const heldWhy = lot.state === 'held' ? lot.decisions.filter((d) => d.to === 'held').at(-1)?.why : null;
  return (
    <>
      {heldWhy && (
        <Caution className="mb-5">
          <strong>Held.</strong> {heldWhy}
        </Caution>
      )}
      <p className="mb-5 border-l-4 border-rim py-0.5 pl-3">
        {keeping.carriedBy}
        {keeping.bestBy && (
          <span className="mt-1 block font-semibold">
            {keeping.dateWord === 'use-by' ? 'Use by' : 'Best by'} {dayMonthYear(keeping.bestBy)}
          </span>
        )}
      </p>
    </>
  );
}

const PARTS = ['fill', 'process', 'seals', 'release'] as const;

/** The part a lot is at: the first gate that is shut on the way from the pan to the shelf. */
export function partOf(lot: LotView): (typeof PARTS)[number] {
  const shut = (id: string) => lot.gates.some((g) => g.id === id && !g.open);
  if (lot.state === 'planned' || lot.state === 'making' || lot.bottles.filled === 0 || shut('count'))
    return 'fill';
  if (shut('heat')) return 'process';
  if (shut('seal')) return 'seals';
  return 'release';
}

/** Fill, process, check, and what still stands between the bottles and the stall. */
export function Bottling() {
  const { code = '', part } = useParams();
  const { data: lot, error, refetch } = useLot(code);
  const mayWrite = useMayWrite();
  if (!lot) return <Unread error={error} retry={refetch} />;
  if (!part) return <Navigate to={`/bottling/${code}/${partOf(lot)}`} replace />;
  const open = mayWrite && ['making', 'resting', 'bottled', 'held'].includes(lot.state);
  return (
    <Sheet
      asideLabel="Gates"
      aside={
        <>
          <UnderEarlierRules lot={lot} />
          <Dates lot={lot} />
          <Gates lot={lot} />
          <Decide lot={lot} />
          <KeepInstead lot={lot} />
        </>
      }
    >
      <div className="mb-3 flex flex-wrap items-baseline gap-x-4">
        <h1 className="flex items-center gap-3">
          <Fruit colour={lot.product.colour} size={20} />
          <span className="figure">{lot.code}</span> {lot.product.name}
        </h1>
        <State tone={lotTone(lot.state)}>{lot.state}</State>
      </div>
      <Stopped lot={lot} />
      <PartsNav
        label="Parts of the bottling"
        parts={[
          [`/bottling/${code}/fill`, 'Fill'],
          [`/bottling/${code}/process`, lot.storage === 'shelf' ? 'Process' : 'Cool'],
          [`/bottling/${code}/seals`, 'Seals'],
          [`/bottling/${code}/release`, 'Release'],
        ]}
      />
      {part === 'fill' && <Fill lot={lot} open={open} />}
      {part === 'process' && <Process lot={lot} open={open} />}
      {part === 'seals' && <Seals lot={lot} open={open} />}
      {part === 'release' && <Release lot={lot} open={open} />}
    </Sheet>
  );
}
