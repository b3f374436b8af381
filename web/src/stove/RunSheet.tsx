import type { LotView } from '@inch/contract/making/lot';
import { ENDED, presentStep } from '@inch/core/lot';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useLot } from '../data/lots.ts';
import { useMayWrite } from '../data/session.tsx';
import { useNow } from '../data/useNow.ts';
import { EverythingIn, everythingIn } from '../parts/lot/EverythingIn.tsx';
import { panOf } from '../parts/lot/pan.ts';
import { buttonLook } from '../ui/Button.tsx';
import { useKey } from '../ui/keys.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Fruit, lotTone, State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { Instruments } from './Instruments.tsx';
import { Levels } from './Levels.tsx';
import { Readings } from './Readings.tsx';
import { StepDesk } from './StepDesk.tsx';
import { TimeRule } from './TimeRule.tsx';

/** Every step is done: what is still to be recorded, and what is measured of the finished product, bottled or not. */
export function AllDone({ lot }: { lot: LotView }) {
  const mayWrite = useMayWrite();
  const filled = lot.bottles.filled > 0;
  return (
    <div>
      <p className="text-lg text-ink-2">Every step is done</p>
      <h1 className="text-[2.5rem]">{filled ? 'Measure the finished product' : 'Fill the bottles'}</h1>
      {mayWrite && !ENDED.includes(lot.state) && (
        <section aria-label="Readings of the finished product" className="mt-4 flex flex-wrap gap-2">
          <Instruments lot={lot} step={null} big={false} at={undefined} />
        </section>
      )}
      <EverythingIn lot={lot} at={undefined} />
      {everythingIn(lot) && (
        <Link
          to={`/bottling/${lot.code}`}
          className={buttonLook({ size: 'stove', tone: filled ? 'plain' : 'main' }, 'mt-6')}
        >
          Go to Bottling
        </Link>
      )}
    </div>
  );
}

/** The run sheet of a lot: steps down the time rule, the present one open, levels and readings beside. */
export function RunSheet() {
  const { code = '' } = useParams();
  const { data: lot, error, refetch } = useLot(code);
  const now = useNow();
  const [chosen, setChosen] = useState<string | null>(null);
  const ordered = [...(lot?.steps ?? [])].sort((a, b) => a.position - b.position);
  const here = ordered.find((s) => s.id === chosen) ?? presentStep(ordered, now);
  useKey(',', 'previous step', () => setChosen(ordered[Math.max(0, (here?.position ?? 1) - 2)]?.id ?? null));
  if (!lot) return <Unread error={error} retry={refetch} />;
  const present = presentStep(lot.steps, now)?.id ?? null;
  const pan = here && lot.state === 'making' ? panOf(lot, here, now) : null;
  return (
    <div className="enamel-rim flex h-full overflow-hidden max-lg:h-auto max-lg:flex-col">
      <section
        aria-label="Run sheet"
        className="w-[15rem] shrink-0 overflow-y-auto border-r border-steel-line px-5 py-6 max-xl:w-[12.5rem] max-xl:px-3 max-lg:order-2 max-lg:w-auto max-lg:px-5 max-lg:border-r-0 max-lg:border-b"
      >
        <p className="flex items-center gap-2 text-xl font-bold">
          <Fruit colour={lot.product.colour} size={15} />
          Lot <span className="figure">{lot.code}</span>
        </p>
        <p className="text-ink-2">
          {lot.product.name}, version {lot.product.version}
          {lot.scale !== 1 && `, × ${lot.scale}`}
        </p>
        {lot.state === 'making' && (
          <Link to={`/stove/${lot.code}/cook`} className={buttonLook({}, 'mt-3 min-h-14 w-full text-lg')}>
            Cook view
          </Link>
        )}
        {lot.state !== 'making' && <State tone={lotTone(lot.state)}>{lot.state}</State>}
        <TimeRule
          lot={lot}
          present={here?.id ?? present}
          now={now}
          choose={(id) => setChosen(id === present ? null : id)}
        />
      </section>
      <section
        aria-label="Present step"
        className="min-w-0 flex-1 overflow-y-auto px-8 py-6 max-xl:px-6 max-lg:order-1 max-sm:px-4"
      >
        {here ? <StepDesk key={here.id} lot={lot} step={here} pan={pan} now={now} /> : <AllDone lot={lot} />}
      </section>
      <aside
        aria-label="Levels and readings"
        className="w-[22rem] shrink-0 overflow-y-auto rounded-r-[14px] border-l border-steel-line bg-enamel-cool px-5 py-6 max-xl:w-[17rem] max-xl:px-4 max-lg:order-3 max-lg:w-auto max-lg:border-t max-lg:border-l-0"
      >
        <Levels lot={lot} step={here ?? null} pan={pan} />
        <Ruled title="Readings" className="mt-5">
          <Readings lot={lot} />
        </Ruled>
      </aside>
    </div>
  );
}
