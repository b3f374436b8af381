import { type AgeingView, ageingRoutes } from '@inch/contract/making/ageing';
import type { LotView } from '@inch/contract/making/lot';
import { DRIFTING } from '@inch/core/ageing';
import { stillAsked } from '@inch/core/lot';
import { brixSaid, inWords, plural } from '@inch/core/quantity';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { urlOf } from '../data/address.ts';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useLot } from '../data/lots.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { Stopped } from '../parts/lot/Stopped.tsx';
import { Button } from '../ui/Button.tsx';
import { dayMonthYear, kitchenDay } from '../ui/dates.ts';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Fruit, lotTone, State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { DatingForm } from './DatingForm.tsx';
import { DriftChart } from './DriftChart.tsx';
import { LookForm } from './LookForm.tsx';
import { LookPhotographs } from './LookPhotographs.tsx';

function Why({ view, code }: { view: AgeingView; code: string }) {
  return (
    <Ruled title="Why this date">
      {view.why.map((part, i) => (
        <section key={part.heading} className="border-b border-steel-line py-3">
          <h3 className={i === 0 ? 'text-lg font-bold' : 'font-semibold'}>{part.heading}</h3>
          {part.lines.map((line) => (
            <p key={line} className="mt-1 text-sm text-ink-2">
              {line}
            </p>
          ))}
        </section>
      ))}
      <a
        className="mt-3 inline-block text-link underline"
        href={urlOf(ageingRoutes.sheet.path, { id: code }, {})}
        target="_blank"
        rel="noopener noreferrer"
      >
        as one page to print
      </a>
    </Ruled>
  );
}

function Seen({ lot }: { lot: LotView }) {
  const looks = [...lot.looks].reverse();
  if (looks.length === 0) return null;
  return (
    <Ruled title="Looked at" className="mt-8">
      <ul>
        {looks.map((l) => (
          <li
            key={l.id}
            className={`flex flex-wrap gap-x-4 border-b border-steel-line py-2 ${l.struck ? 'line-through' : ''}`}
          >
            <span className="figure w-24 font-bold">{l.ageDays} days</span>
            <span className="min-w-0 flex-1">
              {l.findings.length > 0 ? l.findings.map((f) => inWords(f)).join(', ') : 'clear'}
              {l.faults.length > 0 && <strong className="text-stop"> · holds the lot</strong>}
              <span className="text-ink-2">
                {l.ph !== null && ` · pH ${l.ph.toFixed(2)}${l.phCounts ? '' : ', does not count'}`}
                {l.brix !== null && ` · ${brixSaid(l.brix)}`}
                {l.colour !== null && ` · colour ${l.colour}`}
                {l.smell !== null && ` · smell ${l.smell}`}
                {l.taste !== null && ` · taste ${l.taste}`}
                {l.note && ` · ${l.note}`}
              </span>
            </span>
            <span className="text-sm text-ink-2">
              {dayMonthYear(l.at)}, {l.by}
            </span>
          </li>
        ))}
      </ul>
    </Ruled>
  );
}

function Drifts({ view, colour }: { view: AgeingView; colour: string }) {
  const drawn = DRIFTING.filter((of) => view.points[of].length > 0);
  return (
    <Ruled title={`How ${view.lot.name} ages`} className="mt-8">
      <p className="py-2 text-sm text-ink-2">
        Every lot of the formula, with one slope for all of them and a level for each.
      </p>
      {drawn.length === 0 ? (
        <p className="py-2 text-ink-2">Nothing was measured of an opened bottle yet.</p>
      ) : (
        <div className="grid grid-cols-2 gap-x-8 gap-y-6 max-md:grid-cols-1">
          {drawn.map((of) => (
            <DriftChart key={of} view={view} of={of} colour={colour} />
          ))}
        </div>
      )}
    </Ruled>
  );
}

/** Lots that share stock or a day of filling with one, a page after another. */
function Siblings({ code }: { code: string }) {
  const pages = useInfiniteQuery({
    queryKey: [...keys.one('ageing', code), 'siblings'],
    queryFn: ({ pageParam }) =>
      call(ageingRoutes.siblings, {
        params: { id: code },
        query: pageParam === null ? {} : { before: pageParam },
      }),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.next,
  });
  const siblings = pages.data?.pages.flatMap((page) => page.siblings) ?? [];
  if (siblings.length === 0) return null;
  return (
    <Ruled title="Shares something with" className="mt-8">
      <ul>
        {siblings.map((s) => (
          <li key={s.code} className="flex gap-3 border-b border-steel-line py-2">
            <Link className="figure font-bold text-link underline" to={`/shelf/${s.code}/looks`}>
              {s.code}
            </Link>
            <span className="flex-1">{s.name}</span>
            <span className="text-sm text-ink-2">{s.by}</span>
          </li>
        ))}
      </ul>
      {pages.hasNextPage && (
        <Button
          tone="quiet"
          className="mt-2"
          disabled={pages.isFetching}
          onClick={() => void pages.fetchNextPage()}
        >
          Show more of {plural(pages.data!.pages[0]!.total, 'lot')}
        </Button>
      )}
    </Ruled>
  );
}

/** Bottles kept back of a lot: looks at them, how the formula ages, and why the lot has its date. */
export function Looks() {
  const { code = '' } = useParams();
  const lot = useLot(code);
  const ageing = useQuery({
    queryKey: keys.one('ageing', code),
    queryFn: () => call(ageingRoutes.read, { params: { id: code } }),
  });
  const mayWrite = useMayWrite();
  const { account } = useSession();
  if (!lot.data || !ageing.data)
    return <Unread title={code} error={lot.error ?? ageing.error} retry={ageing.refetch} />;
  const view = ageing.data;
  const today = kitchenDay(Date.now());
  const { data } = lot;
  return (
    <Sheet asideLabel="Why this date" aside={<Why view={view} code={data.code} />}>
      <h1 className="flex flex-wrap items-center gap-3">
        <Fruit colour={data.product.colour} size={20} />
        <span className="figure">{data.code}</span> {data.product.name}
        <State tone={lotTone(data.state)} className="text-base">
          {data.state}
        </State>
      </h1>
      <Stopped lot={data} />
      {stillAsked(view.nextLooks, today).map((next) => (
        <p key={String(next.opened)} className="mt-3 font-semibold">
          <State tone={next.on <= today ? 'hold' : 'plain'}>
            Next look: {dayMonthYear(next.on)}
            {next.opened && ', at the bottle that is open'}
          </State>
        </p>
      ))}
      {mayWrite && (data.bottles.groups.length > 0 || data.looks.some((l) => l.opened === 'opened')) && (
        <Ruled title="Look at a bottle kept back" className="mt-6">
          <LookForm lot={data} />
        </Ruled>
      )}
      <LookPhotographs lot={data} mayWrite={mayWrite && data.state !== 'discarded'} />
      <Seen lot={data} />
      <Drifts view={view} colour={data.product.colour} />
      {account.role === 'owner' && data.keeping.bestBy && <DatingForm lot={data} view={view} />}
      <Siblings code={data.code} />
    </Sheet>
  );
}
