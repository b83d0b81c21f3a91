import type { ProjectDocument } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { formatCents, groupOffer, offerOf, offerSourceOf, offerOfOption, scheduleOfJob } from '@dusky-spool/core/order';
import { billName, billNames, en, offerLineName } from '@dusky-spool/texts';
import { json } from './result.ts';

const offerFor = (project: ProjectDocument, today: string) => offerOf(project, offerSourceOf(project), billNames, today);

/** What the client pays: lines with how they are priced, sums by system, and every option. */
export function offerText(project: ProjectDocument, asJson: boolean, today: string): string {
  const offer = offerFor(project, today);
  const { currency } = project.project;
  const price = (cents: number) => formatCents(cents, currency);
  const bySystem = groupOffer(project, offer.lines, 'system');
  const options = listOf(project, 'offerOptions').map((option) => {
    const own = offerOfOption(project, option, billNames, today);
    return own.ok
      ? { name: option.name, problem: null, totalCents: own.value.totalCents }
      : { name: option.name, problem: own.problem, totalCents: null };
  });
  if (asJson) return json({ ...offer, currency, bySystem, options });
  return [
    `price ${price(offer.priceCents)}, tax ${price(offer.taxCents)}, total ${price(offer.totalCents)}, deposit ${price(offer.depositCents)}`,
    `${offer.hours.toFixed(0)} h of work, ${offer.leastHours.toFixed(0)} to ${offer.mostHours.toFixed(0)} h; ${offer.doubts.length} prices in doubt`,
    ...bySystem.map(
      ({ key, totalCents }) => `${key === '' ? 'whole house' : en.terms.systems[key as 'sound']}: ${price(totalCents)}`,
    ),
    ...options.map(
      ({ name, totalCents, problem }) => `option ${name}: ${totalCents === null ? problem!.code : price(totalCents)}`,
    ),
    ...offer.lines.map(
      (line) =>
        `${[offerLineName(line), line.detail].filter(Boolean).join(', ')}: ${line.count}, ${price(line.priceCents)} + ${price(line.taxCents)}${line.doubt ? ` (${line.doubt})` : ''}`,
    ),
  ].join('\n');
}

/** Gates with their days and our work before them, what is late, and what is ordered until when. */
export function datesText(project: ProjectDocument, asJson: boolean, today: string): string {
  const schedule = scheduleOfJob(project, offerFor(project, today), today);
  if (asJson) return json({ today, ...schedule });
  const { gates } = en.terms;
  return [
    ...schedule.gates
      .filter(({ on, all }) => on !== '' || all > 0)
      .map(
        ({ gate, from, on, all, done, late, startBy, crewDays }) =>
          `${gates[gate]}: ${[from, on].filter(Boolean).join(' to ') || 'no day'}; ${done} of ${all} done, ${late} late${crewDays > 0 ? `; ${crewDays} days of work, start by ${startBy || '–'}` : ''}`,
      ),
    ...schedule.contradictions.map(
      ({ gate, before }) =>
        `contradiction: ${gates[gate]} ${before === null ? 'ends before it begins' : `before ${gates[before]}`}`,
    ),
    ...schedule.late.map(
      ({ item, costCents }) =>
        `late: ${item.kind} ${item.name} missed ${gates[item.gate]} on ${item.dueOn}${costCents === null ? '' : `, about ${formatCents(costCents, project.project.currency)}`}`,
    ),
    ...schedule.orders.map(
      ({ part, name, detail, orderBy, onSiteBy }) =>
        `order ${[billName({ part, name }), detail].filter(Boolean).join(', ')} by ${orderBy}, on site by ${onSiteBy}`,
    ),
    ...schedule.permits.map(
      ({ permit, applyBy, neededBy, state }) =>
        `permit ${permit.name}: ${en.ui.order.permits.states[state]}${applyBy === '' ? '' : `; apply by ${applyBy}, needed by ${neededBy}`}`,
    ),
    ...schedule.decisions.map(({ subject, by }) => `decide ${subject} by ${by}`),
  ].join('\n');
}
