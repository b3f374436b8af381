import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { type TodayView, todayRoutes } from '@inch/contract/kitchen/today';
import { loadClock } from '@inch/core/bottling';
import {
  type PanNow,
  panNow,
  type StepLeft,
  standing,
  stepClock,
  stepLeft,
  stepPrompt,
} from '@inch/core/lot';
import {
  backupDue,
  clockDue,
  dayBar,
  dueItems,
  obstacles,
  plannedStarts,
  stockThatWillNotWait,
} from '@inch/core/planning';
import type { Pool } from 'mysql2/promise';
import { lastBackup } from '../backup/routes.ts';
import { type Database, fromSql, rows } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { instrumentsOf } from '../instrument/store.ts';
import { type StoredLot, unreleasedLots } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { startsOf } from '../plan/store.ts';
import { unsettledOf } from '../record/lookThrough.ts';
import { releasedWithBottles } from '../standing/list.ts';
import { perishable } from '../stock/store.ts';
import { heldSources } from '../trace/reach.ts';
import { vesselOf } from '../vessel/learned.ts';

const contentStep = (lot: StoredLot, step: StoredLot['steps'][number]) =>
  lot.product.content.steps.find((s) => s.id === step.formulaStepId);

/** Loads of the canner at the boil or at their rest, as clocks that run. */
function loadClocks(lot: StoredLot, now: string): TodayView['clocks'] {
  return standing(lot.loads).flatMap((load) => {
    const clock = loadClock(load, now);
    if (clock.phase !== 'at the boil' && clock.phase !== 'resting') return [];
    const boiling = clock.phase === 'at the boil';
    return [
      {
        code: lot.code,
        colour: lot.product.colour,
        step: `Load ${load.number}, ${clock.phase}`,
        stepId: `${load.id} ${clock.phase}`,
        startedAt: load.marks.findLast((m) => m.kind === (boiling ? 'boil' : 'off'))!.at,
        elapsedSeconds: boiling ? clock.boiledSeconds : clock.restedSeconds!,
        leftSeconds: boiling
          ? load.requiredMinutes * 60 - clock.boiledSeconds
          : load.restMinutes * 60 - clock.restedSeconds!,
        mark: null,
        place: 'bottling' as const,
        prompt: null,
      },
    ];
  });
}

/** How long every running step still goes on, by its id: what is boiled to a mark by its pan, as at the stove. */
async function leftOf(db: Database, kitchen: Kitchen, lots: readonly StoredLot[], now: string) {
  const left = new Map<string, StepLeft>();
  for (const lot of lots) {
    if (lot.state !== 'making') continue;
    const running = lot.steps.filter((step) => stepClock(step, now).state === 'running');
    if (running.length === 0) continue;
    const vessel = await vesselOf(db, kitchen, lot);
    for (const step of running) {
      const goesOn = stepLeft(step, panOf(lot, step, { cup: lot.cupSchool, vessel }, now), now);
      if (goesOn) left.set(step.id, goesOn);
    }
  }
  return left;
}

/** A record whose figures do not go together tells nothing of its pan; its clock runs all the same. */
function panOf(...[lot, step, setting, now]: Parameters<typeof panNow>): PanNow | null {
  try {
    return panNow(lot, step, setting, now);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

const markOf = (left: StepLeft | undefined): TodayView['clocks'][number]['mark'] =>
  left?.by === 'pan' ? { low: left.low, high: left.high } : null;

async function backupItems(db: Database, kitchen: Kitchen, now: string) {
  const [begun] = await rows<{ created_at: string }>(db, 'SELECT created_at FROM kitchen WHERE id = ?', [
    kitchen.id,
  ]);
  const last = await lastBackup(db);
  const due = backupDue(last?.at ?? null, fromSql(begun!.created_at), now, kitchen.timeZone);
  return due ? [due] : [];
}

async function clockItems(db: Database, { id }: Kitchen, now: string) {
  const [head] = await rows<{ written_at: string | null }>(
    db,
    'SELECT written_at FROM journal_head WHERE kitchen_id = ?',
    [id],
  );
  const due = clockDue(head?.written_at ? fromSql(head.written_at) : null, now);
  return due ? [due] : [];
}

/** Everything that needs a hand, now, next and later, with the clocks that run. */
export async function todayOf(db: Pool, kitchen: Kitchen, now: string): Promise<TodayView> {
  const stored = await unreleasedLots(db, kitchen);
  const released = await releasedWithBottles(db, kitchen);
  const left = await leftOf(db, kitchen, stored, now);
  const lots = stored.map((record) => ({ record, left, ...judgeLot(record, kitchen) }));
  const meters = (await instrumentsOf(db, kitchen, now))
    .filter((i) => !i.retired)
    .map((i) => ({
      name: i.name,
      kind: i.kind,
      calibratedAt: i.calibrations.find((c) => c.accepted)?.at ?? null,
      dueOn: i.dueOn,
      whyNot: i.whyNot,
    }));
  const making = stored.filter((lot) => lot.state === 'making');
  const clocks: TodayView['clocks'] = making.flatMap((lot) =>
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
          leftSeconds: left.get(step.id)?.seconds ?? null,
          mark: markOf(left.get(step.id)),
          place: 'stove' as const,
          prompt: stepPrompt(step, contentStep(lot, step), now),
        },
      ];
    }),
  );
  clocks.push(...stored.flatMap((lot) => loadClocks(lot, now)));
  return {
    now,
    due: dueItems(lots, released, meters, now, kitchen.timeZone, [
      ...plannedStarts(await startsOf(db, kitchen.id), now),
      ...stockThatWillNotWait(await perishable(db, kitchen, now), now, kitchen.timeZone),
      ...(await backupItems(db, kitchen, now)),
      ...(await clockItems(db, kitchen, now)),
    ]),
    obstacles: obstacles(lots, released, now, kitchen.timeZone),
    sources: await heldSources(db, kitchen.id),
    earlierRules: (await unsettledOf(db, kitchen)).map(({ lot, asked }) => ({
      code: lot.code,
      name: lot.product.name,
      colour: lot.product.colour,
      asked: asked.map((gate) => ({ question: gate.question, missing: gate.missing ?? '' })),
    })),
    bars: making.map((lot) => dayBar(lot, now, left)),
    clocks,
    open: stored.map((lot) => ({
      code: lot.code,
      name: lot.product.name,
      colour: lot.product.colour,
      state: lot.state,
    })),
  };
}

export function todayRouter(app: AppContext): void {
  serve(app, todayRoutes.read, ({ pool, kitchen }) => todayOf(pool, kitchen, new Date().toISOString()));
}
