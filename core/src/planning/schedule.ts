import { chance } from '../formula/index.ts';
import { lowerBoundOf } from './lowerBound.ts';
import {
  type Block,
  blocksOf,
  followsAtOnce,
  type LaidStep,
  type PlanSetting,
  refuseLongChains,
  Timetable,
} from './timetable.ts';

export interface Schedule {
  steps: LaidStep[];
  /** Minute at which the last lot is done. */
  finish: number;
  /** No plan can be done before this minute. */
  lowerBound: number;
}

/** Lays the blocks in an order of their ranks, each as early as it fits after the one before it in its lot. */
function laidOut(
  setting: PlanSetting,
  blocks: readonly Block[][],
  ranks: readonly number[][],
): Schedule['steps'] {
  const table = new Timetable(setting);
  const next = setting.lots.map(() => 0);
  const free = setting.lots.map((lot) => lot.earliest ?? 0);
  for (let left = blocks.reduce((sum, b) => sum + b.length, 0); left > 0; left--) {
    let chosen = -1;
    for (let l = 0; l < blocks.length; l++) {
      if (next[l]! >= blocks[l]!.length) continue;
      if (chosen < 0 || ranks[l]![next[l]!]! > ranks[chosen]![next[chosen]!]!) chosen = l;
    }
    const block = blocks[chosen]![next[chosen]!]!;
    free[chosen] = table.lay(block, table.earliest(block, free[chosen]!));
    next[chosen]!++;
  }
  return table.laid;
}

const finishOf = (steps: readonly LaidStep[]): number => steps.reduce((last, s) => Math.max(last, s.to), 0);

const MOST_TRIES = 240;

/**
 * Steps of several lots laid on the minutes: done as early as can be, no resource over what there is, no hands out of hours.
 * Built from the lots with most still to come, then bettered by local search; the same seed gives the same plan.
 * @param setting lots, resources, hours; @param options.seed; @param options.tries how many other orders are tried
 * @returns the steps with their minutes, the finish, and a lower bound that no plan beats
 * @throws RangeError where a step needs more than there is, or longer hours than there are
 * @example schedule({ lots: [], hours: [{ from: 0, to: 600 }], resources: {} }).finish // 0
 */
export function schedule(setting: PlanSetting, options: { seed?: number; tries?: number } = {}): Schedule {
  const blocks = blocksOf(setting);
  refuseLongChains(setting, blocks);
  const lowerBound = lowerBoundOf(setting, blocks);
  const roll = chance(options.seed ?? 1);
  let ranks = blocks.map((list) => list.map((b) => b.tail));
  let steps = laidOut(setting, blocks, ranks);
  let finish = finishOf(steps);
  const tries = options.tries ?? MOST_TRIES;
  for (let i = 0; i < tries && finish > lowerBound + 1e-9; i++) {
    const share = 0.05 + 0.45 * roll.even();
    const other = ranks.map((list) =>
      list.map((r) => (roll.even() < 0.3 ? r * (1 + share * roll.normal()) : r)),
    );
    const laid = laidOut(setting, blocks, other);
    const done = finishOf(laid);
    if (done > finish) continue;
    [ranks, steps, finish] = [other, laid, done];
  }
  return { steps, finish, lowerBound };
}

/** The setting with time running the other way from a minute on: what came last comes first, what followed at once is followed. */
function mirrored(setting: PlanSetting, due: number): PlanSetting {
  return {
    ...setting,
    lots: setting.lots.map((lot) => {
      const steps = [...lot.steps].reverse();
      return {
        id: lot.id,
        steps: steps.map(({ longestWait: _, ...step }, i) => ({
          ...step,
          atOnce: i > 0 && followsAtOnce(steps[i - 1]!),
        })),
      };
    }),
    hours: setting.hours
      .filter((h) => h.from < due)
      .map((h) => ({ from: Math.max(0, due - h.to), to: due - h.from }))
      .sort((a, b) => a.from - b.from),
  };
}

/** A plan laid backwards from a date. */
export interface ScheduleBack {
  steps: LaidStep[];
  /** Minute at which it has to be begun, under 0 where that is past. */
  begin: number;
  /** No plan that is done by the date begins after this minute. */
  upperBound: number;
}

/**
 * The same backwards: everything done by a minute and begun as late as can be.
 * @param setting its hours reach far enough back; @param due minute by which all is done; @param options as for `schedule`
 * @throws RangeError where a step needs more than there is, or longer hours than there are
 * @example scheduleBack({ lots: [], hours: [{ from: 0, to: 600 }], resources: {} }, 600).begin // 600
 */
export function scheduleBack(
  setting: PlanSetting,
  due: number,
  options: { seed?: number; tries?: number } = {},
): ScheduleBack {
  const { steps, finish, lowerBound } = schedule(mirrored(setting, due), options);
  return {
    steps: steps.map((s) => ({ ...s, from: due - s.to, to: due - s.from })),
    begin: due - finish,
    upperBound: due - lowerBound,
  };
}
