import { chance } from '../formula/index.ts';
import { type Block, blocksOf, HANDS, type LaidStep, type PlanSetting, Timetable } from './timetable.ts';

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

/** When so many minutes of hands have been there, counted through the hours. */
function handsDone(setting: PlanSetting, minutes: number, from: number): number {
  let left = minutes;
  for (const h of setting.hours) {
    const start = Math.max(h.from, from);
    if (h.to <= start) continue;
    if (h.to - start >= left) return start + left;
    left -= h.to - start;
  }
  return from;
}

/** The minute before which no plan is done: the longest lot alone, and each resource's work by what there is of it. */
function lowerBoundOf(setting: PlanSetting, blocks: readonly Block[][]): number {
  const alone = setting.lots.map((lot, l) => {
    const table = new Timetable({ ...setting, lots: setting.lots });
    let free = lot.earliest ?? 0;
    for (const block of blocks[l]!) free = table.lay(block, table.earliest(block, free));
    return free;
  });
  const first = Math.min(...setting.lots.map((lot) => lot.earliest ?? 0));
  const loads = Object.entries(setting.resources).map(([name, there]) => {
    const work = setting.lots
      .flatMap((lot) => lot.steps)
      .reduce((sum, step) => sum + step.minutes * (step.needs[name] ?? 0), 0);
    if (work === 0 || there === 0) return 0;
    return name === HANDS ? handsDone(setting, work / there, first) : first + work / there;
  });
  return Math.max(0, ...alone, ...loads);
}

const MOST_TRIES = 240;

/**
 * Steps of several lots laid on the minutes: done as early as can be, no resource over what there is, no hands out of hours.
 * Built from the lots with most still to come, then bettered by local search; the same seed gives the same plan.
 * @param setting lots, resources, hours; @param options.seed; @param options.tries how many other orders are tried
 * @returns the steps with their minutes, the finish, and a lower bound that no plan beats
 * @throws RangeError where a step needs more than there is, or longer hours than there are
 */
export function schedule(setting: PlanSetting, options: { seed?: number; tries?: number } = {}): Schedule {
  const blocks = blocksOf(setting);
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

/** A clash of a plan as it was moved by hand, in words. */
export interface Clash {
  lotId: string;
  stepId: string;
  words: string;
}

/** Everything that is wrong with a plan: out of order, not at once, out of hours, or more of a resource than there is. Empty where it holds. */
export function clashesOf(setting: PlanSetting, steps: readonly LaidStep[]): Clash[] {
  const clashes: Clash[] = [];
  const at = new Map(steps.map((s) => [`${s.lotId} ${s.stepId}`, s]));
  const everyStep = setting.lots.flatMap((lot) =>
    lot.steps.map((step) => ({ lot, step, laid: at.get(`${lot.id} ${step.id}`) })),
  );
  for (const lot of setting.lots) {
    let before: LaidStep | undefined;
    for (const step of lot.steps) {
      const laid = at.get(`${lot.id} ${step.id}`);
      const tell = (words: string) => clashes.push({ lotId: lot.id, stepId: step.id, words });
      if (!laid) {
        tell('it is not in the plan');
        continue;
      }
      if (Math.abs(laid.to - laid.from - step.minutes) > 1e-6) tell(`it takes ${step.minutes} minutes`);
      if (laid.from < (before?.to ?? lot.earliest ?? 0) - 1e-6)
        tell('it begins before what comes before it is done');
      if (step.atOnce && before && laid.from > before.to + 1e-6)
        tell('it cannot wait for what comes before it');
      const hands = (step.needs[HANDS] ?? 0) > 0;
      if (hands && !setting.hours.some((h) => h.from <= laid.from + 1e-6 && laid.to <= h.to + 1e-6))
        tell('nobody is there at that hour');
      before = laid;
    }
  }
  for (const { lot, step, laid } of everyStep) {
    if (!laid) continue;
    for (const [name, amount] of Object.entries(step.needs)) {
      const others = everyStep.filter(
        (o) =>
          o.laid &&
          o.laid.from <= laid.from + 1e-6 &&
          o.laid.to > laid.from + 1e-6 &&
          (o.step.needs[name] ?? 0) > 0,
      );
      const taken = others.reduce((sum, o) => sum + o.step.needs[name]!, 0);
      if (taken > (setting.resources[name] ?? 0) + 1e-9 && amount > 0)
        clashes.push({
          lotId: lot.id,
          stepId: step.id,
          words: `${name}: ${taken} wanted at once, ${setting.resources[name] ?? 0} there`,
        });
    }
  }
  return clashes;
}
