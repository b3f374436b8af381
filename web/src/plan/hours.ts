import type { Plan } from '@inch/contract/kitchen/plan';
import {
  BURNER,
  CANNER,
  type Clash,
  clashesOf,
  type DayLot,
  dayLotsOf,
  HANDS,
  hoursFrom,
  itemMaking,
  type LaidStep,
  type PlanSetting,
  panResource,
} from '@inch/core/planning';
import type { Planning } from '../data/planning.ts';

export type LaidPlanStep = Plan['steps'][number];

/** One lot of the plan as it is laid: whose it is, how it looks, its steps. */
export interface LaidLot {
  partId: string;
  name: string;
  colour: string;
  begun: string | null;
  day: DayLot;
}

const MINUTE = 60_000;
/** How far the kitchen's hours are looked at: back for a date that is past, and forward for what rests long. */
const REACH = { daysBefore: 40, daysAfter: 90 };

/** The next quarter of an hour. */
export const quarterFrom = (now: string): string =>
  new Date(Math.ceil(Date.parse(now) / (15 * MINUTE)) * 15 * MINUTE).toISOString();

/** The lots of a plan with their steps, each with its learned minutes and its pan. */
export function laidLots(plan: Plan, planning: Planning): LaidLot[] {
  return plan.items.flatMap((item) => {
    const making = itemMaking(item, planning);
    if (!making) return [];
    const days = dayLotsOf(item, making, planning);
    return item.parts.map((part, i) => ({
      partId: part.id,
      name: item.parts.length > 1 ? `${making.formula.name}, lot ${i + 1}` : making.formula.name,
      colour: making.formula.colour,
      begun: part.lot?.code ?? null,
      day: days[i]!,
    }));
  });
}

/** What the hours are shared over, as the kitchen has it. */
export function settingFor(lots: readonly LaidLot[], planning: Planning, origin: string): PlanSetting {
  const { burners, hands, hours } = planning.kitchen.workshop;
  return {
    lots: lots.map((l) => ({ ...l.day, earliest: 0 })),
    resources: {
      [HANDS]: hands,
      [BURNER]: burners,
      [CANNER]: 1,
      ...Object.fromEntries(planning.pans.map((p) => [panResource(p.id), 1])),
    },
    hours: hoursFrom(hours, origin, REACH, planning.kitchen.timeZone),
  };
}

/** What resources are called. */
export const resourceNames = (planning: Planning): Record<string, string> => ({
  [HANDS]: 'hands',
  [BURNER]: 'burners',
  [CANNER]: 'the canner',
  ...Object.fromEntries(planning.pans.map((p) => [panResource(p.id), p.name])),
});

const minuteOf = (instant: string, origin: string) => (Date.parse(instant) - Date.parse(origin)) / MINUTE;
const instantAt = (minute: number, origin: string) =>
  new Date(Date.parse(origin) + minute * MINUTE).toISOString();

/** Steps in minutes as a plan keeps them: in instants, with their words. */
export function kept(steps: readonly LaidStep[], lots: readonly LaidLot[], origin: string): LaidPlanStep[] {
  return steps.flatMap((s) => {
    const step = lots.find((l) => l.partId === s.lotId)?.day.steps.find((d) => d.id === s.stepId);
    if (!step) return [];
    return {
      partId: s.lotId,
      stepId: s.stepId,
      title: step.title,
      kind: step.kind,
      from: instantAt(s.from, origin),
      to: instantAt(s.to, origin),
      attended: (step.needs[HANDS] ?? 0) > 0 || step.attended === true,
    };
  });
}

const inMinutes = (steps: readonly LaidPlanStep[], origin: string): LaidStep[] =>
  steps.map((s) => ({
    lotId: s.partId,
    stepId: s.stepId,
    from: minuteOf(s.from, origin),
    to: minuteOf(s.to, origin),
  }));

/** What is wrong with the hours as they stand, of lots that have any. */
export function clashesIn(
  steps: readonly LaidPlanStep[],
  lots: readonly LaidLot[],
  planning: Planning,
  origin: string,
): Clash[] {
  const laid = lots.filter((l) => steps.some((s) => s.partId === l.partId));
  const setting = settingFor(laid, planning, origin);
  const anywhen = {
    ...setting,
    lots: setting.lots.map((l) => ({ ...l, earliest: Number.NEGATIVE_INFINITY })),
  };
  return clashesOf(anywhen, inMinutes(steps, origin), resourceNames(planning));
}

/** A step moved to another minute, with what goes with it at once. */
export function movedTo(
  steps: readonly LaidPlanStep[],
  lots: readonly LaidLot[],
  step: Pick<LaidPlanStep, 'partId' | 'stepId'>,
  byMinutes: number,
): LaidPlanStep[] {
  const of = lots.find((l) => l.partId === step.partId)?.day.steps ?? [];
  const at = of.findIndex((s) => s.id === step.stepId);
  let [first, last] = [at, at];
  while (first > 0 && of[first]!.atOnce) first--;
  while (last + 1 < of.length && of[last + 1]!.atOnce) last++;
  const together = new Set(of.slice(first, last + 1).map((s) => s.id));
  const by = byMinutes * MINUTE;
  return steps.map((s) =>
    s.partId === step.partId && together.has(s.stepId)
      ? {
          ...s,
          from: new Date(Date.parse(s.from) + by).toISOString(),
          to: new Date(Date.parse(s.to) + by).toISOString(),
        }
      : s,
  );
}
