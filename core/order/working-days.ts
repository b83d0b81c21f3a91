import { daysBefore } from '../model/index.ts';

/** Saturday and Sunday are none; days are YYYY-MM-DD. */
function isWorkingDay(day: string): boolean {
  const weekday = new Date(`${day}T00:00:00Z`).getUTCDay();
  return weekday !== 0 && weekday !== 6;
}

/** The day itself, or the nearest working day on the way back (1) or on (-1). */
function nearest(day: string, way: 1 | -1): string {
  let found = day;
  while (!isWorkingDay(found)) found = daysBefore(found, way);
  return found;
}

/** So many working days back (1) or on (-1); the count starts at the nearest working day. */
function stepped(day: string, count: number, way: 1 | -1): string {
  let found = nearest(day, way);
  for (let left = count; left > 0; left--) found = nearest(daysBefore(found, way), way);
  return found;
}

/** The day itself, or the last working day before it. */
export const lastWorkingDay = (day: string): string => nearest(day, 1);

/** The day itself, or the first working day after it. */
export const firstWorkingDay = (day: string): string => nearest(day, -1);

/** So many working days before a day; the count starts at the last working day on or before it. */
export const workingDaysBefore = (day: string, count: number): string => stepped(day, count, 1);

/** So many working days after a day; the count starts at the first working day on or after it. */
export const workingDaysAfter = (day: string, count: number): string => stepped(day, count, -1);

/** First day of a window of so many working days that ends on a day, both ends in. */
export const windowStart = (end: string, days: number): string => workingDaysBefore(end, Math.max(0, Math.ceil(days) - 1));

/** The day on which something is ordered to be on site on a day: that day less its lead time in working days. */
export const orderByDay = (onSite: string, leadDays: number): string => workingDaysBefore(onSite, leadDays);
