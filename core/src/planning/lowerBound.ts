import {
  type Block,
  inHours,
  type LaidStep,
  type PlannedStep,
  type PlanSetting,
  Timetable,
} from './timetable.ts';

/** When so many minutes of somebody being there have gone by, counted through the hours from a minute on. */
function throughHours(setting: PlanSetting, minutes: number, from: number): number {
  let left = minutes;
  for (const h of setting.hours) {
    const start = Math.max(h.from, from);
    if (h.to <= start) continue;
    if (h.to - start >= left) return start + left;
    left -= h.to - start;
  }
  return from;
}

/** What one lot asks of one resource: from when on at the earliest, how much, and what is still to come after it. */
interface Asked {
  head: number;
  work: number;
  tail: number;
  after: readonly PlannedStep[];
  attended: boolean;
}

/** When some steps of one lot are done at the earliest, from a minute on: what needs somebody there waits for the hours. */
function doneAfter(setting: PlanSetting, steps: readonly PlannedStep[], from: number): number {
  return steps.reduce((at, step) => {
    if (!inHours(step)) return at + step.minutes;
    const open = setting.hours.find((h) => Math.max(h.from, at) + step.minutes <= h.to);
    // Where the hours given are too few for it, its minutes alone hold.
    return Math.max(open?.from ?? at, at) + step.minutes;
  }, from);
}

function askedOf(setting: PlanSetting, name: string, alone: readonly (readonly LaidStep[])[]): Asked[] {
  return setting.lots.flatMap((lot, l) => {
    const places = lot.steps.flatMap((s, i) => ((s.needs[name] ?? 0) > 0 && s.minutes > 0 ? [i] : []));
    if (places.length === 0) return [];
    const first = lot.steps[places[0]!]!.id;
    return {
      head: alone[l]!.find((s) => s.stepId === first)!.from,
      work: places.reduce((sum, i) => sum + lot.steps[i]!.minutes * lot.steps[i]!.needs[name]!, 0),
      after: lot.steps.slice(places.at(-1)! + 1),
      tail: lot.steps.slice(places.at(-1)! + 1).reduce((sum, s) => sum + s.minutes, 0),
      attended: places.every((i) => inHours(lot.steps[i]!)),
    };
  });
}

/**
 * The minute before which no plan is done. Each lot alone; and for each resource, every set of lots that ask for it from a minute on and
 * have so much to come after it: their work by what there is of it, through the hours where somebody has to be there, then what is to come
 * of the one that it comes to soonest for.
 */
export function lowerBoundOf(setting: PlanSetting, blocks: readonly Block[][]): number {
  const alone = setting.lots.map((lot, l) => {
    const table = new Timetable(setting);
    let free = lot.earliest ?? 0;
    for (const block of blocks[l]!) free = table.lay(block, table.earliest(block, free));
    return table.laid;
  });
  let bound = Math.max(0, ...alone.flatMap((steps) => steps.map((s) => s.to)));
  for (const [name, there] of Object.entries(setting.resources)) {
    const asked = there > 0 ? askedOf(setting, name, alone) : [];
    for (const { head } of asked)
      for (const { tail } of asked) {
        const set = asked.filter((a) => a.head >= head && a.tail >= tail);
        const minutes = set.reduce((sum, a) => sum + a.work, 0) / there;
        if (minutes === 0) continue;
        const done = set.every((a) => a.attended) ? throughHours(setting, minutes, head) : head + minutes;
        // One of them is the last that the resource is done with; its own steps are still to come then.
        bound = Math.max(bound, Math.min(...set.map((a) => doneAfter(setting, a.after, done))));
      }
  }
  return bound;
}
