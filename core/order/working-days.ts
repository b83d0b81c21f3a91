const DAY_MS = 86_400_000;

const at = (day: string): Date => new Date(`${day}T00:00:00Z`);
const dayOf = (date: Date): string => date.toISOString().slice(0, 10);
/** Saturday and Sunday are none. */
const isWorkingDay = (date: Date): boolean => date.getUTCDay() !== 0 && date.getUTCDay() !== 6;

/** The day itself, or the last working day before it; days are YYYY-MM-DD. */
export function lastWorkingDay(day: string): string {
  let date = at(day);
  while (!isWorkingDay(date)) date = new Date(date.getTime() - DAY_MS);
  return dayOf(date);
}

/** The day itself, or the first working day after it. */
export function firstWorkingDay(day: string): string {
  let date = at(day);
  while (!isWorkingDay(date)) date = new Date(date.getTime() + DAY_MS);
  return dayOf(date);
}

/** So many working days before a day; the count starts at the last working day on or before it. */
export function workingDaysBefore(day: string, count: number): string {
  let date = at(lastWorkingDay(day));
  for (let left = count; left > 0;) {
    date = new Date(date.getTime() - DAY_MS);
    if (isWorkingDay(date)) left--;
  }
  return dayOf(date);
}

/** So many working days after a day; the count starts at the first working day on or after it. */
export function workingDaysAfter(day: string, count: number): string {
  let date = at(firstWorkingDay(day));
  for (let left = count; left > 0;) {
    date = new Date(date.getTime() + DAY_MS);
    if (isWorkingDay(date)) left--;
  }
  return dayOf(date);
}

/** First day of a window of so many working days that ends on a day, both ends in. */
export const windowStart = (end: string, days: number): string => workingDaysBefore(end, Math.max(0, Math.ceil(days) - 1));

/** The day on which something is ordered to be on site on a day: that day less its lead time in working days. */
export const orderByDay = (onSite: string, leadDays: number): string => workingDaysBefore(onSite, leadDays);
