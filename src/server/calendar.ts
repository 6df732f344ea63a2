import ical, { ICalCalendarMethod } from 'ical-generator';

/** All-day entries as iCalendar (RFC 5545). @param uid made unique within the world by the host that people open */
export function calendarText({
  name,
  host,
  now,
  days,
}: {
  readonly name: string;
  readonly host: string;
  readonly now: number;
  readonly days: readonly {
    readonly uid: string;
    readonly date: string;
    readonly summary: string;
    readonly description: string;
  }[];
}): string {
  const calendar = ical({
    name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Groval', product: 'what is due', language: 'EN' },
    ttl: 3600,
  });
  for (const { uid, date, summary, description } of days) {
    const [year = 1970, month = 1, day = 1] = date.split('-').map(Number);
    // An all-day entry is a date without a zone: the same day wherever it is read.
    calendar.createEvent({
      id: `${uid}@${host}`,
      stamp: new Date(now),
      start: new Date(Date.UTC(year, month - 1, day)),
      timezone: 'UTC',
      allDay: true,
      summary,
      description,
    });
  }
  return calendar.toString();
}
