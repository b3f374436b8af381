import type { LotHead, LotView } from '@inch/contract/lot';
import { tagRoutes } from '@inch/contract/tag';
import { bottleSize, inWords, plural } from '@inch/core/quantity';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { urlOf } from '../data/address.ts';
import { useLot, useLotsOnHand } from '../data/lots.ts';
import { useMayWrite } from '../data/session.tsx';
import { Button } from '../ui/Button.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution, Fruit, lotTone, State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { MoveDialog, type MoveKind } from './MoveDialog.tsx';

function Actions({ head, lot, act }: { head: LotHead; lot: LotView; act: (kind: MoveKind) => void }) {
  const big = 'min-h-14 text-lg';
  return (
    <div className="my-5 grid max-w-xl grid-cols-2 gap-3">
      <Button className={big} disabled={head.state !== 'released'} onClick={() => act('sold')}>
        Sell
      </Button>
      <Button className={big} tone="plain" onClick={() => act('moved')}>
        Move
      </Button>
      <Button className={big} tone="plain" onClick={() => act('retained')}>
        Keep back
      </Button>
      <Link
        className="flex min-h-14 items-center justify-center rounded-lg border border-steel bg-enamel text-lg font-semibold"
        to={`/shelf/${lot.code}/looks`}
      >
        Look at it
      </Link>
    </div>
  );
}

const thawedIn = (lot: LotView, g: { bottlingId: string; place: string }) =>
  lot.thawed.find((t) => t.bottlingId === g.bottlingId && t.place === g.place);

function Places({ lot }: { lot: LotView }) {
  return (
    <Ruled title="Where they stand" className="mt-6 max-w-xl">
      <ul>
        {lot.bottles.groups.map((g) => (
          <li
            key={g.place + g.bottlingId}
            className="flex justify-between gap-3 border-b border-steel-line py-2"
          >
            <span>
              {g.place}
              <span className="text-ink-2">, {g.container}</span>
              {thawedIn(lot, g) && (
                <span className="block text-sm text-hold">
                  thawed {dayMonthYear(thawedIn(lot, g)!.thawedOn)}, use by{' '}
                  {dayMonthYear(thawedIn(lot, g)!.until)}
                </span>
              )}
            </span>
            <span className="figure font-bold">
              {g.count} × {bottleSize(g.nominalMl)}
            </span>
          </li>
        ))}
      </ul>
    </Ruled>
  );
}

/** One bottle, or its lot, as it is found by its code: what may be done with it where one stands. */
export function Bottle() {
  const { code = '', bottle } = useParams();
  const lot = useLot(code);
  const onHand = useLotsOnHand();
  const mayWrite = useMayWrite();
  const [kind, setKind] = useState<MoveKind | null>(null);
  if (!lot.data) return <Unread title={code} error={lot.error} retry={lot.refetch} />;
  const { data } = lot;
  const head = onHand.data?.lots.find((l) => l.id === data.id);
  const number = bottle === undefined ? null : Number(bottle);
  const none = number !== null && number > data.bottles.filled;
  return (
    <Sheet>
      <h1 className="flex flex-wrap items-center gap-3">
        <Fruit colour={data.product.colour} size={20} />
        <span className="figure">
          {data.code}
          {number !== null && `/${number}`}
        </span>{' '}
        {data.product.name}
      </h1>
      <p className="mt-1 text-ink-2">
        <State tone={lotTone(data.state)}>{data.state}</State>
        {data.keeping.bestBy && ` · ${inWords(data.keeping.dateWord)} ${dayMonthYear(data.keeping.bestBy)}`} ·{' '}
        {plural(data.bottles.left, 'bottle')} left of {data.bottles.filled}
      </p>
      {none && (
        <Caution tone="hold" className="mt-4">
          This lot has {plural(data.bottles.filled, 'bottle')}: there is no number {number}.
        </Caution>
      )}
      {head && mayWrite && data.bottles.left > 0 && <Actions head={head} lot={data} act={setKind} />}
      <Places lot={data} />
      <p className="mt-4 flex flex-wrap gap-x-5 gap-y-2">
        <Link className="text-link underline" to="/shelf/scan">
          Scan another
        </Link>
        <Link className="text-link underline" to={`/records/${data.code}`}>
          Its record
        </Link>
        <a
          className="text-link underline"
          href={urlOf(tagRoutes.print.path, {}, { of: 'pan', code: data.code })}
          target="_blank"
          rel="noopener noreferrer"
        >
          Tag for its pan
        </a>
      </p>
      {head && kind && (
        <MoveDialog lot={head} kind={kind} mayWrite={mayWrite} onClose={() => setKind(null)} />
      )}
    </Sheet>
  );
}
