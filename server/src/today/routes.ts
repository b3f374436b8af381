import type { Kitchen } from '@inch/contract/kitchen';
import { type TodayView, todayRoutes } from '@inch/contract/today';
import { stepClock, stepPrompt } from '@inch/core/lot';
import { dayBar, dueItems, obstacles, plannedStarts, stockThatWillNotWait } from '@inch/core/planning';
import type { Database } from '../database/pool.ts';
import { type House, serve } from '../http/serve.ts';
import { instrumentsOf } from '../instrument/store.ts';
import { openLots, type StoredLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { startsOf } from '../plan/store.ts';
import { perishable } from '../stock/store.ts';

const contentStep = (lot: StoredLot, step: StoredLot['steps'][number]) =>
  lot.product.content.steps.find((s) => s.id === step.formulaStepId);

/** Everything that needs a hand, now, next and later, with the clocks that run. */
export async function todayOf(db: Database, kitchen: Kitchen, now: string): Promise<TodayView> {
  const stored = await openLots(db, kitchen);
  const lots = stored.map((record) => ({ record, ...judgeLot(record, kitchen) }));
  const meters = (await instrumentsOf(db, kitchen, now)).map((i) => ({
    name: i.name,
    kind: i.kind,
    calibratedAt: i.calibrations.find((c) => c.accepted)?.at ?? null,
    dueOn: i.dueOn,
    whyNot: i.whyNot,
  }));
  const making = stored.filter((lot) => lot.state === 'making');
  const clocks = making.flatMap((lot) =>
    lot.steps.flatMap((step) => {
      const clock = stepClock(step, now);
      if (clock.state !== 'running') return [];
      return [
        {
          code: lot.code,
          colour: lot.product.colour,
          step: step.title,
          stepId: step.id,
          startedAt: clock.startedAt!,
          elapsedSeconds: clock.elapsedSeconds,
          leftSeconds: clock.leftSeconds,
          prompt: stepPrompt(step, contentStep(lot, step), now),
        },
      ];
    }),
  );
  const open = stored.filter((lot) => lot.state !== 'released');
  return {
    now,
    due: dueItems(lots, meters, now, kitchen.timeZone, [
      ...plannedStarts(await startsOf(db, kitchen.id), now),
      ...stockThatWillNotWait(await perishable(db, kitchen, now), now, kitchen.timeZone),
    ]),
    obstacles: obstacles(lots, now, kitchen.timeZone),
    bars: making.map((lot) => dayBar(lot, now)),
    clocks,
    open: open.map((lot) => ({
      code: lot.code,
      name: lot.product.name,
      colour: lot.product.colour,
      state: lot.state,
    })),
  };
}

export function todayRoom(house: House): void {
  serve(house, todayRoutes.read, ({ pool, kitchen }) => todayOf(pool, kitchen, new Date().toISOString()));
}
