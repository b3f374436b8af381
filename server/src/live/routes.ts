import type { TodayView } from '@inch/contract/kitchen/today';
import { liveRoutes } from '@inch/contract/route/live';
import ical, { ICalAlarmType, type ICalCalendar } from 'ical-generator';
import { sendCalendar } from '../http/sendCalendar.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { sessionStands } from '../session/session.ts';
import { todayOf } from '../today/routes.ts';
import { Changes } from './changes.ts';

const BEAT_MS = 20_000;

/** What is due at an hour as a calendar, each with an alarm at its time. */
function calendarOf(today: TodayView, kitchen: { name: string }): ICalCalendar {
  const calendar = ical({
    name: kitchen.name,
    prodId: { company: 'Inch Pantry', product: 'due', language: 'EN' },
  });
  for (const due of today.due) {
    if (!due.at || due.at < today.now) continue;
    const event = calendar.createEvent({
      id: `${due.id.replace(/\s+/g, '-')}@inch-pantry`,
      start: new Date(due.at),
      end: new Date(Date.parse(due.at) + 15 * 60_000),
      stamp: new Date(today.now),
      summary: due.lot ? `${due.lot.code} ${due.title}` : due.title,
      description: due.detail,
    });
    event.createAlarm({ type: ICalAlarmType.display, trigger: 0 });
  }
  return calendar;
}

export function liveRouter(app: AppContext): void {
  const changes = new Changes(app.pool);
  serve(app, liveRoutes.stream, async ({ pool, kitchen, req, res }) => {
    res.set({
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    });
    res.flushHeaders();
    const stop = changes.listen(kitchen.id, (event) => res.write(`data: ${JSON.stringify(event)}\n\n`));
    const streams = req.app.locals.streams as Set<typeof res>;
    streams.add(res);
    // A stream ends with the session that it was opened in.
    const beat = setInterval(() => {
      sessionStands(pool, req).then(
        (stands) => (stands ? res.write(': still here\n\n') : res.end()),
        () => res.write(': still here\n\n'),
      );
    }, BEAT_MS);
    res.on('close', () => {
      streams.delete(res);
      clearInterval(beat);
      stop();
    });
    return undefined;
  });
  serve(app, liveRoutes.calendar, async ({ pool, kitchen, res }) => {
    const today = await todayOf(pool, kitchen, new Date().toISOString());
    sendCalendar(res, calendarOf(today, kitchen), 'inch-pantry.ics');
    return undefined;
  });
}
