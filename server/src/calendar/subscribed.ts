import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { Plan } from '@inch/contract/kitchen/plan';
import type { TodayView } from '@inch/contract/kitchen/today';
import { addDays, dayOf } from '@inch/core/calendar';
import ical, { ICalAlarmType, type ICalCalendar, ICalEventTransparency } from 'ical-generator';

/** Minutes before a step of a plan at which its alarm goes. */
const AHEAD = 10;
const QUARTER = 15 * 60_000;

interface Shown {
  kitchen: Pick<Kitchen, 'id' | 'name' | 'timeZone'>;
  today: TodayView;
  plans: readonly Plan[];
  /** Where the kitchen's journal ends: grows with whatever is written, and so is the revision of every event. */
  sequence: number;
}

const uidOf = (kitchen: Shown['kitchen'], id: string): string =>
  `${encodeURIComponent(id)}@${kitchen.id}.inch-pantry`;

function addDue(calendar: ICalCalendar, { kitchen, today, sequence }: Shown): void {
  for (const due of today.due) {
    if (!due.at || due.at < today.now) continue;
    const event = calendar.createEvent({
      id: uidOf(kitchen, due.id),
      start: new Date(due.at),
      end: new Date(Date.parse(due.at) + QUARTER),
      stamp: new Date(today.now),
      sequence,
      summary: due.lot ? `${due.lot.code} ${due.title}` : due.title,
      description: due.detail,
    });
    event.createAlarm({ type: ICalAlarmType.display, trigger: 0 });
  }
}

function addPlans(calendar: ICalCalendar, { kitchen, today, plans, sequence }: Shown): void {
  for (const plan of plans) {
    const seen = new Map<string, number>();
    for (const step of plan.steps) {
      const id = `${plan.id} ${step.partId} ${step.stepId}`;
      const nth = (seen.get(id) ?? 0) + 1;
      seen.set(id, nth);
      const event = calendar.createEvent({
        id: uidOf(kitchen, nth === 1 ? id : `${id} ${nth}`),
        start: new Date(step.from),
        end: new Date(step.to),
        stamp: new Date(today.now),
        sequence,
        summary: `${plan.name}: ${step.title}`,
        description: step.attended ? 'It wants somebody.' : 'It needs nobody meanwhile.',
        transparency: step.attended ? ICalEventTransparency.OPAQUE : ICalEventTransparency.TRANSPARENT,
      });
      if (step.attended) event.createAlarm({ type: ICalAlarmType.display, trigger: AHEAD * 60 });
    }
  }
}

/**
 * What is due at an hour and what plans have laid, as one calendar to subscribe to. It is never empty: where nothing is due it says so of today,
 * since some programs take an empty calendar for a broken one.
 */
export function subscribedCalendar(shown: Shown): ICalCalendar {
  const { kitchen, today, sequence } = shown;
  const calendar = ical({
    name: kitchen.name,
    prodId: { company: 'Inch Pantry', product: 'kitchen', language: 'EN' },
    ttl: 60 * 60,
  });
  addDue(calendar, shown);
  addPlans(calendar, shown);
  if (calendar.length() > 0) return calendar;
  const day = dayOf(today.now, kitchen.timeZone);
  calendar.createEvent({
    id: uidOf(kitchen, 'nothing due'),
    start: new Date(`${day}T00:00:00Z`),
    end: new Date(`${addDays(day, 1)}T00:00:00Z`),
    allDay: true,
    stamp: new Date(today.now),
    sequence,
    summary: 'Nothing due at an hour',
    transparency: ICalEventTransparency.TRANSPARENT,
  });
  return calendar;
}
