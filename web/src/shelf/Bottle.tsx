import type { LotHead, LotView } from '@inch/contract/making/lot';
import { tagRoutes } from '@inch/contract/route/tag';
import { historyOf, movesOf } from '@inch/core/lot';
import { bottleSize, inWords, plural } from '@inch/core/quantity';
import { MOVED_BY_HAND } from '@inch/core/record';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { urlOf } from '../data/address.ts';
import { useLot, useLotsOnHand } from '../data/lots.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useNow } from '../data/useNow.ts';
import { EnteredBy } from '../parts/lot/EnteredBy.tsx';
import { lifeSaid } from '../parts/lot/lifeSaid.ts';
import { Stopped } from '../parts/lot/Stopped.tsx';
import { Button, buttonLook } from '../ui/Button.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution, Fruit, lotTone, State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { MoveDialog, type MoveKind } from './MoveDialog.tsx';

function Actions({ head, lot, act }: { head: LotHead; lot: LotView; act: (kind: MoveKind) => void }) {
  const big = 'min-h-14 text-lg';
  return (
    <div className="my-5 grid max-w-xl grid-cols-2 gap-3">
      {head.state === 'released' && (
        <Button className={`${big} col-span-2`} onClick={() => act('sold')}>
          Sell
        </Button>
      )}
      {['recalled', 'discarded', 'closed'].includes(head.state) ? (
        <>
          <Button className={big} tone="plain" onClick={() => act('returned')}>
            Brought back
          </Button>
          <Button className={big} tone="stop" onClick={() => act('destroyed')}>
            Destroy
          </Button>
        </>
      ) : (
        <>
          <Button className={big} tone="plain" onClick={() => act('moved')}>
            Move
          </Button>
          <Button className={big} tone="plain" onClick={() => act('retained')}>
            Keep back
          </Button>
          <Button className={big} tone="plain" onClick={() => act('thrown-away')}>
            Throw away
          </Button>
        </>
      )}
      <Link className={buttonLook({ tone: 'plain' }, big)} to={`/shelf/${lot.code}/looks`}>
        Look at it
      </Link>
    </div>
  );
}

function Places({ lot }: { lot: LotView }) {
  const now = useNow(60_000);
  return (
    <Ruled title="Where they stand" className="mt-6 max-w-xl">
      {lot.bottles.groups.length === 0 && (
        <p className="py-2 text-ink-2">Nothing of it stands here any more.</p>
      )}
      <ul>
        {lot.bottles.groups.map((g) => {
          const life = lot.lives.find((l) => l.bottlingId === g.bottlingId && l.place === g.place);
          return (
            <li
              key={g.place + g.bottlingId}
              className="flex justify-between gap-3 border-b border-steel-line py-2"
            >
              <span className="min-w-0">
                {g.place}
                <span className="text-ink-2">, {g.container}</span>
                {life &&
                  lifeSaid(lot, life, now).map(({ tone, words }) => (
                    <State key={words} tone={tone} className="block text-sm">
                      {words}
                    </State>
                  ))}
              </span>
              <span className="figure shrink-0 font-bold">
                {g.count} × {bottleSize(g.nominalMl)}
              </span>
            </li>
          );
        })}
      </ul>
    </Ruled>
  );
}

/** How many of the last moves are shown beside the bottles; all of them stand in the record. */
const LATELY = 8;
const BY_HAND: ReadonlySet<string> = new Set(MOVED_BY_HAND);

/** What became of bottles lately: sold, given, moved; each with the way to undo it. */
function Moved({ lot }: { lot: LotView }) {
  const { kitchen } = useSession();
  const ids = new Set(
    movesOf(lot)
      .filter((m) => BY_HAND.has(m.kind))
      .map((m) => m.id),
  );
  const lately = historyOf(lot, kitchen.currency).filter((h) => ids.has(h.id));
  if (lately.length === 0) return null;
  return (
    <Ruled title="What became of them" className="mt-6 max-w-xl">
      <ul>
        {lately
          .slice(-LATELY)
          .reverse()
          .map((move) => (
            <li
              key={move.id}
              className="flex flex-wrap items-baseline gap-x-3 border-b border-steel-line py-2"
            >
              <span className="min-w-0 flex-1">
                {move.title}
                <span className="text-ink-2">{move.detail && `, ${move.detail}`}</span>
              </span>
              <EnteredBy lot={lot} noun="movement" entry={move} named={`${move.title}, ${move.detail}`} />
            </li>
          ))}
      </ul>
      {lately.length > LATELY && (
        <p className="mt-2 text-sm text-ink-2">{lately.length - LATELY} before them stand in its record.</p>
      )}
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
      <Stopped lot={data} />
      {none && (
        <Caution tone="hold" className="mt-4">
          This lot has {plural(data.bottles.filled, 'bottle')}: there is no number {number}.
        </Caution>
      )}
      {head && mayWrite && data.bottles.left > 0 && <Actions head={head} lot={data} act={setKind} />}
      <Places lot={data} />
      <Moved lot={data} />
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
