import { groupedBy } from '../math/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import type { BillCause } from './bill.ts';
import { type OfferLine, type OfferSums } from './offer.ts';
import { splitCents } from './shares.ts';

export const OFFER_GROUPINGS = ['part', 'system', 'room', 'phase', 'supplier'] as const;
export type OfferGrouping = (typeof OFFER_GROUPINGS)[number];

/** What lines come to in one system, room, phase, part or of one supplier. The sums of all groups are those of the lines to the cent. */
export interface GroupSum extends OfferSums {
  /** Id of the room or phase, name of the system, part or supplier; empty where there is none. */
  readonly key: string;
}

/** The sums of lines by what they are there for; a line that is there for several groups is split among them by its causes. */
export function groupOffer(project: ProjectDocument, lines: readonly OfferLine[], by: OfferGrouping): GroupSum[] {
  const sums = new Map<string, { costCents: number; priceCents: number; taxCents: number }>();
  for (const line of lines) {
    const shares = sharesOf(project, line, by);
    const keys = [...shares.keys()];
    const weights = [...shares.values()];
    const [cost, price, tax] = [line.costCents, line.priceCents, line.taxCents].map((cents) => splitCents(cents, weights));
    keys.forEach((key, n) => {
      const sum = sums.get(key) ?? { costCents: 0, priceCents: 0, taxCents: 0 };
      sums.set(key, {
        costCents: sum.costCents + cost[n],
        priceCents: sum.priceCents + price[n],
        taxCents: sum.taxCents + tax[n],
      });
    });
  }
  return [...sums]
    .map(([key, sum]) => ({ key, ...sum, totalCents: sum.priceCents + sum.taxCents }))
    .sort((a, b) => b.totalCents - a.totalCents || (a.key < b.key ? -1 : 1));
}

function sharesOf(project: ProjectDocument, line: OfferLine, by: OfferGrouping): ReadonlyMap<string, number> {
  if (by === 'part') return new Map([[line.part, 1]]);
  if (by === 'supplier') return new Map([[line.supplier, 1]]);
  if (line.causes.length === 0) return new Map([['', 1]]);
  const groups = groupedBy(line.causes, (cause) => groupOf(project, cause, by));
  return new Map([...groups].map(([key, causes]) => [key, causes.length]));
}

function groupOf(project: ProjectDocument, cause: BillCause, by: 'system' | 'room' | 'phase'): string {
  const device = deviceOf(project, cause);
  if (by === 'phase') return device?.phaseId ?? '';
  if (by === 'system') return device ? project.deviceTypes[device.typeId].system : '';
  if (device) return device.roomId ?? '';
  if (cause.in === 'plates') return project.plates[cause.id]?.roomId ?? '';
  if (cause.in === 'siteTasks') return project.siteTasks[cause.id]?.roomId ?? '';
  return '';
}

function deviceOf(project: ProjectDocument, cause: BillCause) {
  if (cause.in === 'devices') return project.devices[cause.id];
  return cause.in === 'runs' ? project.devices[project.runs[cause.id]?.deviceId ?? ''] : undefined;
}
