import type { ProjectDocument } from '@dusky-spool/core/model';
import { billOf, formatCents, overBoundPercent, planSpoolsOf, spoolName } from '@dusky-spool/core/order';
import { json } from './result.ts';

const fixed = (value: number): string => value.toFixed(1);
/** What a house needs: spools, what is cut from what, the pulls in their order, and the bill of materials. */
export function orderText(project: ProjectDocument, asJson: boolean): string {
  const plan = planSpoolsOf(project);
  const bill = billOf(project, plan);
  if (asJson) return json({ units: 'm', ...plan, bill });
  const { currency } = project.project;
  const nameOf = (id: string) => project.cableTypes[id].name;
  return [
    `${plan.count} spools to buy: ${formatCents(plan.costCents, currency)}, ${fixed(overBoundPercent(plan))} % over the lower bound`,
    ...plan.cables.flatMap(({ cable, offers, answer, spools, withoutRoute }) => [
      `${cable.name}: ${answer.buy.map(({ offerId, count }) => `${count} x ${fixed(offers.find(({ id }) => id === offerId)!.lengthM)} m`).join(', ') || 'from stock'}`,
      ...spools.map(
        ({ key, cutIds, leftM, lengthM, spareM }) =>
          `  ${spoolName(key)}: ${cutIds.map((id) => project.runs[id].number).join(' ')}; ${fixed(leftM)} of ${fixed(lengthM)} m left, one run may be ${fixed(spareM)} m longer`,
      ),
      ...(answer.tooLong.length > 0
        ? [`  longer than any spool: ${answer.tooLong.map((id) => project.runs[id].number).join(' ')}`]
        : []),
      ...(withoutRoute.length > 0 ? [`  no route: ${withoutRoute.join(' ')}`] : []),
    ]),
    ...plan.leads.map(({ cable, lengthM, numbers }) => `${cable.name}, lead of ${lengthM} m: ${numbers.join(' ')}`),
    ...plan.pulls.map(
      ({ bundle, cuts }, n) =>
        `pull ${n + 1} ${bundle || 'alone'}: ${cuts.map(({ number, cableTypeId, key, lengthM }) => `${number} ${fixed(lengthM)} m from ${nameOf(cableTypeId)} ${spoolName(key)}`).join(', ')}`,
    ),
    `materials in all: ${formatCents(bill.totalCents, currency)}, ${bill.unpriced} lines without a price`,
    ...bill.lines.map(
      ({ part, name, detail, count, sumCents }) =>
        `${part} ${[name, detail].filter(Boolean).join(', ')}: ${count}${sumCents === null ? '' : `, ${formatCents(sumCents, currency)}`}`,
    ),
  ].join('\n');
}
