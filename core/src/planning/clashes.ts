import { inHours, type LaidStep, type PlanSetting } from './timetable.ts';

/** A clash of a plan as it was moved by hand, in words. */
export interface Clash {
  lotId: string;
  stepId: string;
  words: string;
}

/**
 * Everything that is wrong with a plan: out of order, not at once, out of hours, or more of a resource than there is. Empty where it holds.
 * @param setting lots, resources, hours; @param steps as they are laid, minutes; @param names what resources are called, where that is not their key
 * @example clashesOf({ lots: [], hours: [], resources: {} }, []) // []
 */
export function clashesOf(
  setting: PlanSetting,
  steps: readonly LaidStep[],
  names: Readonly<Record<string, string>> = {},
): Clash[] {
  const clashes: Clash[] = [];
  const at = new Map(steps.map((s) => [`${s.lotId} ${s.stepId}`, s]));
  const everyStep = setting.lots.flatMap((lot) =>
    lot.steps.map((step) => ({ lot, step, laid: at.get(`${lot.id} ${step.id}`) })),
  );
  for (const lot of setting.lots) {
    let before: LaidStep | undefined;
    for (const step of lot.steps) {
      const laid = at.get(`${lot.id} ${step.id}`);
      const report = (words: string) => clashes.push({ lotId: lot.id, stepId: step.id, words });
      if (!laid) {
        report('it is not in the plan');
        continue;
      }
      if (Math.abs(laid.to - laid.from - step.minutes) > 1e-6) report(`it takes ${step.minutes} minutes`);
      if (laid.from < (before?.to ?? lot.earliest ?? 0) - 1e-6)
        report('it begins before what comes before it is done');
      if (step.atOnce && before && laid.from > before.to + 1e-6)
        report('it cannot wait for what comes before it');
      const waits = before ? laid.from - before.to : 0;
      if (step.longestWait !== undefined && waits > step.longestWait + 1e-6)
        report(`it waits ${Math.round(waits)} minutes for its turn, and ${step.longestWait} are the most`);
      if (inHours(step) && !setting.hours.some((h) => h.from <= laid.from + 1e-6 && laid.to <= h.to + 1e-6))
        report('nobody is there at that hour');
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
          words: `${names[name] ?? name}: ${taken} wanted at once, ${setting.resources[name] ?? 0} there`,
        });
    }
  }
  return clashes;
}
