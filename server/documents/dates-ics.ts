import ical from 'ical-generator';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { offerOf, offerSourceOf, scheduleOfJob } from '@dusky-spool/core/order';
import { billName, billNames, en, words } from '@dusky-spool/texts';

const at = (day: string): Date => new Date(`${day}T00:00:00Z`);
const DAY_MS = 86_400_000;

/** Lines that only one other program reads. */
const isOfAnotherProgram = (line: string): boolean => line.startsWith('X-') && !line.startsWith('X-WR-');

/** Gates with their windows, our own days before them, days by which things are ordered and decided; whole days, as calendars read them. */
export function datesIcs(project: ProjectDocument, today: string): string {
  const offer = offerOf(project, offerSourceOf(project), billNames, today);
  const { gates, orders, decisions, permits, commissionFrom } = scheduleOfJob(project, offer, today);
  const { name, shortId } = project.project;
  const calendar = ical({ name, prodId: { company: 'Dusky Spool', product: 'Dates', language: 'EN' } });
  const add = (id: string, summary: string, from: string, to: string) =>
    calendar.createEvent({
      ...{ id: `${shortId}-${id}@dusky-spool`, summary: `${name}: ${summary}`, start: at(from), allDay: true },
      // The end of a whole day is the day after it.
      ...{ end: new Date(at(to).getTime() + DAY_MS), stamp: at(today), location: project.project.address || null },
    });
  for (const { gate, from, on, startBy, crewDays } of gates) {
    if (on === '') continue;
    add(`gate-${gate}`, en.terms.gates[gate], from !== '' && from <= on ? from : on, on);
    if (crewDays > 0 && startBy !== '')
      add(`work-${gate}`, words.t('documents.dates.work', { gate: en.terms.gates[gate] }), startBy, on);
  }
  const byDay = new Map<string, string[]>();
  for (const order of orders) {
    const thing = [billName(order), order.detail].filter(Boolean).join(', ');
    byDay.set(order.orderBy, [...(byDay.get(order.orderBy) ?? []), thing]);
  }
  for (const [day, things] of byDay)
    add(
      `order-${day}`,
      words.t('documents.dates.order', { count: things.length, things: things.slice(0, 3).join('; ') }),
      day,
      day,
    );
  for (const { id, subject, by } of decisions) add(`decision-${id}`, words.t('documents.dates.decide', { subject }), by, by);
  for (const { permit, applyBy, state } of permits)
    if (applyBy !== '' && permit.appliedOn === '' && state !== 'granted')
      add(`permit-${permit.id}`, words.t('documents.dates.permit', { name: permit.name }), applyBy, applyBy);
  if (commissionFrom !== '') add('commission', words.t('documents.dates.commission'), commissionFrom, commissionFrom);
  return calendar
    .toString()
    .split('\r\n')
    .filter((line) => !isOfAnotherProgram(line))
    .join('\r\n');
}
