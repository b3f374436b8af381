import type { Plan } from '@inch/contract/plan';
import ical, {
  ICalAlarmType,
  type ICalCalendar,
  ICalCalendarMethod,
  ICalEventTransparency,
} from 'ical-generator';

/** Minutes before a step at which its alarm goes. */
const AHEAD = 10;

/** Stands for the same step of the same plan however often it is sent, so that a calendar changes it and adds none. */
const uidOf = (plan: Pick<Plan, 'id'>, step: Plan['steps'][number]): string =>
  `${plan.id}-${step.partId}-${step.stepId.replace(/\s+/g, '-')}@inch-pantry`;

/** A plan's steps as a calendar: those that want somebody with an alarm, those that only wait as free time; its revision as their sequence. */
export function calendarOf(plan: Plan, names: ReadonlyMap<string, string>): ICalCalendar {
  const calendar = ical({
    name: plan.name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Inch Pantry', product: 'plan', language: 'EN' },
  });
  for (const step of plan.steps) {
    const product = names.get(step.partId) ?? plan.name;
    const event = calendar.createEvent({
      id: uidOf(plan, step),
      start: new Date(step.from),
      end: new Date(step.to),
      stamp: new Date(plan.savedAt),
      sequence: plan.revision,
      summary: `${product}: ${step.title}`,
      description: step.attended ? `Part of “${plan.name}”.` : `Part of “${plan.name}”. It waits by itself.`,
      transparency: step.attended ? ICalEventTransparency.OPAQUE : ICalEventTransparency.TRANSPARENT,
    });
    if (step.attended) event.createAlarm({ type: ICalAlarmType.display, trigger: AHEAD * 60 });
  }
  return calendar;
}
