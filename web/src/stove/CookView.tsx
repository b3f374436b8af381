import { type LotView, lotRoutes } from '@inch/contract/making/lot';
import { presentStep, stepClock, stepLeft } from '@inch/core/lot';
import { useQueries } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { call } from '../data/api.ts';
import { keptInstruments } from '../data/instruments.ts';
import { keys } from '../data/keys.ts';
import { useLot, useLotsOnHand } from '../data/lots.ts';
import { useWaiting } from '../data/outbox/outbox.ts';
import { withWaiting } from '../data/outbox/overlay.ts';
import { useNow } from '../data/useNow.ts';
import { useAttached } from '../parts/instrument/attached.ts';
import { panOf } from '../parts/lot/pan.ts';
import { buttonLook } from '../ui/Button.tsx';
import { between, duration } from '../ui/format.ts';
import { Ruled } from '../ui/Sheet.tsx';
import { Fruit } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { Levels } from './Levels.tsx';
import { Readings } from './Readings.tsx';
import { AllDone } from './RunSheet.tsx';
import { StepDesk } from './StepDesk.tsx';
import { useWakeLock } from './wakeLock.ts';

/** Every lot on the stove, each kept on this device so that it can be cooked on while the server is away. */
function useMaking(): LotView[] {
  const lots = useLotsOnHand();
  const codes = useMemo(
    () => (lots.data?.lots ?? []).filter((l) => l.state === 'making').map((l) => l.code),
    [lots.data],
  );
  const waiting = useWaiting();
  const read = useQueries({
    queries: codes.map((code) => ({
      queryKey: keys.one('lot', code),
      queryFn: () => call(lotRoutes.read, { params: { id: code } }),
      refetchInterval: 20_000,
    })),
  });
  return read.flatMap((q) => (q.data ? [withWaiting(q.data, waiting, keptInstruments())] : []));
}

function LotTab({ lot, here, now }: { lot: LotView; here: boolean; now: string }) {
  const step = presentStep(lot.steps, now);
  const clock = step && stepClock(step, now);
  const left = step && clock?.state === 'running' ? stepLeft(step, panOf(lot, step, now), now) : null;
  const seconds = clock?.state === 'running' ? (left?.seconds ?? clock.elapsedSeconds) : null;
  return (
    <Link
      to={`/stove/${lot.code}/cook`}
      aria-current={here ? 'page' : undefined}
      className={`flex min-h-14 shrink-0 items-center gap-2.5 rounded-lg border-2 px-3 ${here ? 'border-rim bg-rim-pale' : 'border-steel-line'}`}
    >
      <Fruit colour={lot.product.colour} size={14} />
      <span className="figure font-bold">{lot.code}</span>
      <span className="max-w-44 truncate text-sm text-ink-2 max-sm:hidden">
        {step ? step.title : 'fill the bottles'}
      </span>
      {seconds !== null && (
        <span className={`figure text-lg font-bold ${seconds < 0 ? 'text-hold' : ''}`}>
          {left?.by === 'pan' ? between(left.low, left.high) : duration(seconds)}
        </span>
      )}
    </Link>
  );
}

function OnTheCounter() {
  const attached = useAttached();
  if (attached.length === 0) return null;
  return (
    <Ruled title="On the counter" className="mt-5">
      <ul>
        {attached.map((a) => (
          <li key={a.kind} className="flex items-baseline gap-3 border-b border-steel-line py-1.5">
            <span className="min-w-0 flex-1 truncate">{a.name}</span>
            <span className={`figure text-lg font-bold ${a.trouble || !a.steady ? 'text-ink-2' : ''}`}>
              {a.value === null
                ? '–'
                : a.value.toFixed(a.kind === 'scale' ? 0 : a.kind === 'ph-meter' ? 2 : 1)}
            </span>
          </li>
        ))}
      </ul>
    </Ruled>
  );
}

/** The present step fills the screen, to be read from two metres away; every lot on the stove along the top. */
export function CookView() {
  const { code = '' } = useParams();
  const { data: lot, error, refetch } = useLot(code);
  const making = useMaking();
  const lit = useWakeLock();
  const now = useNow();
  useEffect(() => {
    document.documentElement.dataset.stove = 'on';
    return () => {
      delete document.documentElement.dataset.stove;
    };
  }, []);
  if (!lot) return <Unread error={error} retry={refetch} />;
  const here = presentStep(lot.steps, now);
  const pan = here ? panOf(lot, here, now) : null;
  return (
    <div className="enamel-rim flex h-full flex-col overflow-hidden max-lg:h-auto">
      <nav
        aria-label="Lots on the stove"
        className="flex shrink-0 items-center gap-3 border-b border-steel-line px-4 py-2"
      >
        <div className="flex min-w-0 flex-1 gap-2 overflow-x-auto">
          {making.map((one) => (
            <LotTab key={one.id} lot={one} here={one.code === lot.code} now={now} />
          ))}
        </div>
        <span className="text-sm whitespace-nowrap text-ink-2 max-lg:hidden">
          {lit ? 'screen stays on' : 'screen may sleep'}
        </span>
        <Link to={`/stove/${lot.code}`} className={buttonLook({ tone: 'plain' }, 'min-h-14 shrink-0')}>
          Run sheet
        </Link>
      </nav>
      <div className="flex min-h-0 flex-1 max-lg:flex-col">
        <section
          aria-label="Present step"
          className="min-w-0 flex-1 overflow-y-auto px-8 py-5 max-xl:px-6 max-sm:px-4"
        >
          {here ? (
            <StepDesk key={here.id} lot={lot} step={here} pan={pan} now={now} big />
          ) : (
            <AllDone lot={lot} />
          )}
        </section>
        <aside
          aria-label="Levels and readings"
          className="w-[25rem] shrink-0 overflow-y-auto border-l border-steel-line bg-enamel-cool px-6 py-5 max-xl:w-[21rem] max-xl:px-4 max-lg:w-auto max-lg:border-t max-lg:border-l-0"
        >
          <Levels lot={lot} step={here} pan={pan} />
          <OnTheCounter />
          <Ruled title="Readings" className="mt-5">
            <Readings lot={lot} />
          </Ruled>
        </aside>
      </div>
    </div>
  );
}
