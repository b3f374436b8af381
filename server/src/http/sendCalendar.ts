import type { Response } from 'express';
import type { ICalCalendar } from 'ical-generator';

/** Answers with a calendar file; every line of one ends in CRLF, the last as well (RFC 5545, 3.1). */
export function sendCalendar(res: Response, calendar: ICalCalendar, name: string): void {
  const text = calendar.toString();
  res
    .set({
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; filename="${name}"`,
    })
    .send(text.endsWith('\r\n') ? text : `${text}\r\n`);
}
