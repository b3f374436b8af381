import type { LotView } from '@inch/contract/lot';
import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import { Away } from '../app/Away.tsx';
import { useMayWrite } from '../app/session.tsx';
import { EverythingIn, everythingIn } from '../stove/EverythingIn.tsx';
import { useLot } from '../stove/useLot.ts';
import { JarGlyph } from '../ui/BottleGlyph.tsx';
import { dayAndTime, dayMonthYear, plural } from '../ui/format.ts';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution, Fruit, lotTone, State } from '../ui/State.tsx';
import { Decide } from './Decide.tsx';
import { FillForm, ProcessForm, SealForm } from './FillForms.tsx';
import { Gates } from './Gates.tsx';

function Filled({ lot }: { lot: LotView }) {
  const failed = lot.movements.filter((m) => m.kind === 'failed seal').reduce((sum, m) => sum + m.count, 0);
  const bottlings = lot.bottlings.filter((b) => b.struck === null);
  return (
    <Ruled
      title="Filled"
      aside={<span className="figure text-sm font-bold">{plural(lot.bottles.filled, 'bottle')}</span>}
    >
      {bottlings.length === 0 && <p className="py-3 text-ink-2">Nothing is filled yet.</p>}
      {bottlings.map((b, i) => (
        <div key={b.id} className="border-b border-steel-line py-3">
          <p>
            <span className="figure text-lg font-bold">
              {b.count} × {b.nominalMl} mL
            </span>{' '}
            {b.container},{' '}
            {b.closing === 'hot'
              ? `closed hot${b.fillCelsius === null ? '' : ` at ${b.fillCelsius} °C`}`
              : `cooled open${b.hoursToCold === null ? '' : `, at 5 °C after ${b.hoursToCold} h`}`}{' '}
            <span className="text-sm text-ink-2">
              {dayAndTime(b.at)}, {b.by}
            </span>
          </p>
          <div
            className="mt-2 flex max-w-2xl flex-wrap gap-1"
            role="img"
            aria-label={`${b.count} bottles${i === 0 && failed > 0 ? `, ${failed} with a failed seal` : ''}`}
          >
            {Array.from({ length: Math.min(b.count, 60) }, (_, n) => (
              <JarGlyph key={n} colour={lot.product.colour} failed={i === 0 && n >= b.count - failed} />
            ))}
          </div>
        </div>
      ))}
    </Ruled>
  );
}

/** A form under its ruled heading, open where it is the next thing to do. */
function Fold({ title, open, children }: { title: string; open: boolean; children: ReactNode }) {
  return (
    <details open={open} className="group mt-6">
      <summary className="flex list-none items-baseline justify-between border-b border-ink pb-1.5 text-sm font-semibold text-ink-2 marker:hidden hover:text-link">
        {title}
        <span aria-hidden="true" className="text-link group-open:rotate-180">
          ▾
        </span>
      </summary>
      {children}
    </details>
  );
}

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
            {keeping.dateWord === 'use by' ? 'Use by' : 'Best by'} {dayMonthYear(keeping.bestBy)}
          </span>
        )}
      </p>
    </>
  );
}

/** Fill, process, check, and what still stands between the bottles and the stall. */
export function Bottling() {
  const { code = '' } = useParams();
  const { data: lot, error, refetch } = useLot(code);
  const mayWrite = useMayWrite();
  if (error && !lot) return <Away error={error} retry={() => void refetch()} />;
  if (!lot) return null;
  const shut = (id: string) => lot.gates.some((g) => g.id === id && !g.open);
  const open = mayWrite && ['making', 'resting', 'bottled', 'held'].includes(lot.state);
  return (
    <Sheet
      asideLabel="Gates"
      aside={
        <>
          <Dates lot={lot} />
          <Gates lot={lot} />
          <Decide lot={lot} />
        </>
      }
    >
      <div className="mb-5 flex flex-wrap items-baseline gap-x-4">
        <h1 className="flex items-center gap-3">
          <Fruit colour={lot.product.colour} size={20} />
          <span className="figure">{lot.code}</span> {lot.product.name}
        </h1>
        <State tone={lotTone(lot.state)}>{lot.state}</State>
      </div>
      <Filled lot={lot} />
      {open && (
        <>
          {lot.state === 'making' && !everythingIn(lot) && <EverythingIn lot={lot} at={undefined} />}
          {lot.state !== 'held' && (lot.state !== 'making' || everythingIn(lot)) && (
            <Fold
              title={lot.bottles.filled > 0 ? 'More bottles' : 'Count the bottles'}
              open={lot.bottles.filled === 0}
            >
              <FillForm lot={lot} />
            </Fold>
          )}
          {lot.storage === 'shelf' && lot.bottles.filled > 0 && (
            <Fold key={`heat ${shut('heat')}`} title="Heat process" open={shut('heat')}>
              <ProcessForm key={lot.bottlings.length} lot={lot} />
            </Fold>
          )}
          {lot.bottles.left > 0 && (
            <Fold
              key={`seal ${shut('seal')} ${shut('heat')}`}
              title={lot.storage === 'shelf' ? 'Press the lids' : 'Check the caps'}
              open={shut('seal') && !shut('heat')}
            >
              <SealForm key={lot.bottles.left} lot={lot} />
            </Fold>
          )}
        </>
      )}
    </Sheet>
  );
}
