import type { Plan } from '@inch/contract/kitchen/plan';
import ical, {
  ICalAlarmType,
  type ICalCalendar,
  ICalCalendarMethod,
  ICalEventStatus,
  ICalEventTransparency,
} from 'ical-generator';

/** Minutes before a step at which its alarm goes. */
const AHEAD = 10;

type PlanStep = Plan['steps'][number];

/** Stands for the same step of the same plan however often it is sent, so that a calendar changes it and adds none. */
const uidOf = (planId: string, step: PlanStep): string =>
  `${planId}/${encodeURIComponent(step.partId)}/${encodeURIComponent(step.stepId)}@inch-pantry`;

/** Steps by their uid; a step that comes several times is counted through. */
function byUid(planId: string, steps: readonly PlanStep[]): Map<string, PlanStep> {
  const found = new Map<string, PlanStep>();
  for (const step of steps) {
    const uid = uidOf(planId, step);
    let distinct = uid;
    for (let n = 2; found.has(distinct); n++) distinct = `${n}/${uid}`;
    found.set(distinct, step);
  }
  return found;
}

/**
 * A plan's steps as a calendar: those that want somebody with an alarm, those that only wait as free time, those that stood in an
 * earlier state of it and were taken out as cancelled; its revision as their sequence.
 */
export function calendarOf(
  plan: Plan,
  names: ReadonlyMap<string, string>,
  earlier: readonly PlanStep[][],
): ICalCalendar {
  const calendar = ical({
    name: plan.name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Inch Pantry', product: 'plan', language: 'EN' },
  });
  const laid = byUid(plan.id, plan.steps);
  const gone = new Map(earlier.flatMap((steps) => [...byUid(plan.id, steps)]));
  for (const [uid, step] of new Map([...gone, ...laid])) {
    const cancelled = !laid.has(uid);
    const product = names.get(step.partId) ?? plan.name;
    const event = calendar.createEvent({
      id: uid,
      start: new Date(step.from),
      end: new Date(step.to),
      stamp: new Date(plan.savedAt),
      sequence: plan.revision,
      summary: `${product}: ${step.title}`,
      description: step.attended
        ? `Part of “${plan.name}”.`
        : `Part of “${plan.name}”. It needs nobody meanwhile.`,
      transparency:
        step.attended && !cancelled ? ICalEventTransparency.OPAQUE : ICalEventTransparency.TRANSPARENT,
      ...(cancelled ? { status: ICalEventStatus.CANCELLED } : {}),
    });
    if (step.attended && !cancelled) event.createAlarm({ type: ICalAlarmType.display, trigger: AHEAD * 60 });
  }
  return calendar;
}
