import { derivationsOf, listOf } from '../derive/index.ts';
import { cordCounts, HEAD_ENDS, presetOf } from '../head-end/index.ts';
import { groupedBy } from '../math/index.ts';
import type { CollectionName, ProjectDocument } from '../model/index.ts';
import { penetrationsOf, supportsOf } from '../pathways/index.ts';
import { devicesInOwnBox, platesWithBox } from './boxes.ts';
import { laidConduits } from './conduits.ts';
import { centsOf } from './money.ts';
import type { SpoolPlanOfHouse } from './plan-spools.ts';
import { causesByNumber, type PulledRuns, pulledRuns, runCause } from './pulled-runs.ts';

/** Parts of a bill of materials, in the order in which they are listed. */
export const BILL_PARTS = [
  'cable',
  'lead',
  'conduit',
  'device',
  'box',
  'connector',
  'label',
  'support',
  'nail-plate',
  'seal',
  'equipment',
  'cord',
  'consumable',
  'tool',
] as const;
export type BillPart = (typeof BILL_PARTS)[number];

/** What goes lost on site by kind, as a share of what is fitted: a jack that is cut off, a staple that falls (trade practice). */
export const BILL_WASTE: Readonly<Record<BillPart, number>> = {
  cable: 0,
  lead: 0,
  conduit: 0.05,
  device: 0,
  box: 0.03,
  connector: 0.05,
  label: 0.1,
  support: 0.1,
  'nail-plate': 0.1,
  seal: 0,
  equipment: 0,
  cord: 0,
  consumable: 0,
  tool: 0,
};

/** A record that a line is there for. */
export interface BillCause {
  readonly in: CollectionName;
  readonly id: string;
}

/** One line: so many of a thing, what they cost, and what they are there for. Prices are whole cents. */
export interface BillLine {
  readonly key: string;
  readonly part: BillPart;
  /** A thing by its own name, or one that the words of the bill name by its key: a box, a seal, a support. */
  readonly name: string;
  readonly detail: string;
  /** Pieces that are fitted, and that are bought with what goes lost. */
  readonly fitted: number;
  readonly count: number;
  /** Price of one; null where none is known. */
  readonly eachCents: number | null;
  readonly sumCents: number | null;
  readonly causes: readonly BillCause[];
}

export interface Bill {
  readonly lines: readonly BillLine[];
  readonly totalCents: number;
  readonly byPart: readonly { readonly part: BillPart; readonly sumCents: number }[];
  /** Lines without a price. */
  readonly unpriced: number;
}

/** Everything that a house needs, line by line; each is there for records that can be opened. */
export function billOf(project: ProjectDocument, plan: SpoolPlanOfHouse, pulled = pulledRuns(project)): Bill {
  const lines = [
    ...cableLines(project, plan),
    ...conduitLines(project),
    ...deviceLines(project),
    ...boxLines(project),
    ...connectorLines(project),
    ...routeLines(project, pulled),
    ...equipmentLines(project),
    ...siteLines(project, pulled),
  ].filter(({ fitted }) => fitted > 0);
  const sum = (own: readonly BillLine[]) => own.reduce((total, { sumCents }) => total + (sumCents ?? 0), 0);
  return {
    lines,
    totalCents: sum(lines),
    byPart: BILL_PARTS.map((part) => ({ part, sumCents: sum(lines.filter((one) => one.part === part)) })).filter(({ part }) =>
      lines.some((one) => one.part === part),
    ),
    unpriced: lines.filter(({ eachCents }) => eachCents === null).length,
  };
}

type Made = Pick<BillLine, 'key' | 'part' | 'name'> & {
  readonly detail?: string;
  readonly fitted?: number;
  readonly eachCents?: number | null;
  readonly causes: readonly BillCause[];
};

/** A line with what goes lost of its kind, rounded up, and its sum. */
function line({ detail = '', eachCents = null, fitted, ...own }: Made): BillLine {
  const pieces = fitted ?? own.causes.length;
  const count = Math.ceil(pieces * (1 + BILL_WASTE[own.part]) - 1e-9);
  return { ...own, detail, fitted: pieces, count, eachCents, sumCents: eachCents === null ? null : count * eachCents };
}

function cableLines(project: ProjectDocument, { cables, leads }: SpoolPlanOfHouse): BillLine[] {
  const byNumber = new Map(listOf(project, 'runs').map((run) => [run.number, run.id]));
  return [
    ...cables.flatMap(({ cable, offers, answer, spools }) =>
      answer.buy.map(({ offerId, count }) => {
        const { lengthM, priceCents } = offers.find(({ id }) => id === offerId)!;
        return line({
          ...{ key: `cable ${cable.id} ${offerId}`, part: 'cable', name: cable.name, detail: `${lengthM} m`, fitted: count },
          eachCents: priceCents,
          causes: spools.filter((one) => one.offerId === offerId).flatMap(({ cutIds }) => cutIds.map(runCause)),
        });
      }),
    ),
    ...leads.map(({ cable, lengthM, numbers }) =>
      line({
        ...{ key: `lead ${cable.id} ${lengthM}`, part: 'lead', name: cable.name, detail: `${lengthM} m` },
        // A lead costs what its cable does.
        eachCents: centsOf(cable.pricePerM * lengthM),
        causes: numbers.map((number) => runCause(byNumber.get(number)!)),
      }),
    ),
  ];
}

/** Length in which conduit is sold, m: 10 ft. */
const CONDUIT_STICK_M = 3.048;

/** Conduit by its clear inside, in the lengths that it is sold in. */
const conduitLines = (project: ProjectDocument): BillLine[] =>
  grouped(laidConduits(project), ({ insideDiameterM }) =>
    insideDiameterM === null ? '' : (insideDiameterM * 1000).toFixed(0),
  ).map(([mm, own]) =>
    line({
      ...{ key: `conduit ${mm}`, part: 'conduit', name: 'conduit', detail: mm === '' ? '' : `${mm} mm` },
      fitted: Math.ceil(own.reduce((sum, { lengthM }) => sum + lengthM, 0) / CONDUIT_STICK_M - 1e-9),
      causes: own.map(({ id }) => ({ in: 'features', id })),
    }),
  );

/** What is fitted and not there already, type by type. */
function deviceLines(project: ProjectDocument): BillLine[] {
  const devices = listOf(project, 'devices').filter(({ fitting, foundId }) => fitting === 'fitted' && foundId === null);
  return grouped(devices, ({ typeId }) => typeId).map(([typeId, own]) => {
    const { name, price } = project.deviceTypes[typeId];
    return line({
      ...{ key: `device ${typeId}`, part: 'device', name, eachCents: price > 0 ? centsOf(price) : null },
      causes: own.map(({ id }) => ({ in: 'devices' as const, id })),
    });
  });
}

/** Boxes of plates, and of devices that have one to themselves. */
function boxLines(project: ProjectDocument): BillLine[] {
  const plates = platesWithBox(project);
  const boxes = [
    ...plates.map(({ id, boxKind }) => ({ boxKind, cause: { in: 'plates' as const, id } })),
    ...devicesInOwnBox(project, plates).map(({ id, typeId }) => ({
      boxKind: project.deviceTypes[typeId].boxKind,
      cause: { in: 'devices' as const, id },
    })),
  ];
  return grouped(boxes, ({ boxKind }) => boxKind).map(([kind, own]) =>
    line({ key: `box ${kind}`, part: 'box', name: kind, causes: own.map(({ cause }) => cause) }),
  );
}

/** Ends that need nothing bought: screws and posts of the equipment, and a panel's own port. */
const NOTHING_TO_BUY = /^$|bare ends|binding post|screw block|lever block|patch$|pull string|picture plug/;

function connectorLines(project: ProjectDocument): BillLine[] {
  const pulled = listOf(project, 'runs').filter(({ foundId }) => foundId === null);
  const ends = pulled.flatMap((run) => [run.deviceConnector, run.farConnector].map((name) => ({ name, run })));
  const labels = line({
    ...{ key: 'label', part: 'label', name: 'label', fitted: 2 * pulled.length },
    causes: pulled.map(({ id }) => runCause(id)),
  });
  return [
    ...grouped(
      ends.filter(({ name }) => !NOTHING_TO_BUY.test(name)),
      ({ name }) => name,
    ).map(([name, own]) =>
      line({
        ...{ key: `connector ${name}`, part: 'connector', name, fitted: own.length },
        causes: [...new Set(own.map(({ run }) => run.id))].map(runCause),
      }),
    ),
    labels,
  ];
}

/** Staples, hooks and ties, nail plates at holes, and what closes penetrations again. */
function routeLines(project: ProjectDocument, { runs: pulled, places }: PulledRuns): BillLine[] {
  const supports = supportsOf(project, pulled);
  const routed = pulled.filter(({ points }) => points.length > 1).map(({ run }) => runCause(run.id));
  const support = (name: string, fitted: number) =>
    line({ key: `support ${name}`, part: 'support', name, fitted, causes: routed });
  const plated = places.filter(({ nailPlates }) => nailPlates);
  return [
    support(
      'staple',
      supports.byCable.reduce((sum, { staples }) => sum + staples, 0),
    ),
    support(
      'hook',
      supports.byCable.reduce((sum, { hooks }) => sum + hooks, 0),
    ),
    support('tie', supports.ties),
    line({
      ...{ key: 'nail-plate', part: 'nail-plate', name: 'nail-plate' },
      // One on each face of the member.
      fitted: 2 * plated.reduce((sum, { holes }) => sum + holes.length, 0),
      causes: causesByNumber(
        project,
        plated.flatMap(({ runs }) => runs),
      ),
    }),
    ...grouped(penetrationsOf(project, places), ({ kind }) => kind).map(([kind, own]) =>
      line({
        ...{ key: `seal ${kind}`, part: 'seal', name: kind, fitted: own.length },
        causes: causesByNumber(
          project,
          own.flatMap(({ runs }) => runs),
        ),
      }),
    ),
  ];
}

function equipmentLines(project: ProjectDocument): BillLine[] {
  const headEnds = derivationsOf(project).get(HEAD_ENDS);
  const equipment = headEnds.flatMap((one) => one.equipment);
  const cords = headEnds.flatMap((headEnd) => cordCounts(headEnd).map((cord) => ({ ...cord, headEnd })));
  return [
    ...grouped(equipment, ({ presetId, name }) => presetId || name).map(([key, own]) => {
      const preset = presetOf(key);
      return line({
        ...{ key: `equipment ${key}`, part: 'equipment', name: preset?.name ?? own[0].name },
        eachCents: preset && preset.price > 0 ? centsOf(preset.price) : null,
        causes: own.map(({ id }) => ({ in: 'equipment' as const, id })),
      });
    }),
    ...grouped(cords, ({ color, lengthM }) => `${color} ${lengthM}`).map(([key, own]) =>
      line({
        ...{ key: `cord ${key}`, part: 'cord', name: own[0].color, detail: `${own[0].lengthM} m` },
        fitted: own.reduce((sum, { count }) => sum + count, 0),
        causes: own.map(({ headEnd }) => ({ in: 'racks' as const, id: headEnd.rack.id })),
      }),
    ),
  ];
}

/** Groups in the order of their keys. */
const grouped = <T>(items: readonly T[], keyOf: (item: T) => string): (readonly [string, readonly T[]])[] =>
  [...groupedBy(items, keyOf)].sort(([a], [b]) => (a < b ? -1 : 1));

/** Metres of cable that a bottle of lubricant, a roll of tape and a marker last for (trade practice). */
const PER_M = { lubricant: 600, tape: 300, marker: 1500 } as const;

/** Things that are used up, and the tools that the devices and holes ask for: one of each, to be there on the day. */
function siteLines(project: ProjectDocument, { runs, places }: PulledRuns): BillLine[] {
  const planned = runs.filter(({ points }) => points.length > 1);
  if (planned.length === 0) return [];
  const causes = planned.map(({ run }) => runCause(run.id));
  const lengthM = planned.reduce((sum, { length }) => sum + (length?.cutLengthM ?? 0), 0);
  const consumable = (name: keyof typeof PER_M, of: number) =>
    line({ key: `consumable ${name}`, part: 'consumable', name, fitted: Math.ceil(of / PER_M[name]), causes });
  const inConduit = planned.filter(({ media }) => media.includes('conduit') || media.includes('screed'));
  const conduitM = inConduit.reduce((sum, { length }) => sum + (length?.cutLengthM ?? 0), 0);
  const bored = places.flatMap(({ holes, runs: through }) => holes.map(({ bitM }) => ({ bitM, runs: through })));
  const bits = grouped(bored, ({ bitM }) => `${Math.round(bitM * 1000)} mm`);
  const special = grouped(
    listOf(project, 'devices').filter(({ typeId, foundId }) => foundId === null && project.deviceTypes[typeId].tools !== ''),
    ({ typeId }) => project.deviceTypes[typeId].tools,
  );
  return [
    consumable('lubricant', conduitM),
    consumable('tape', lengthM),
    consumable('marker', lengthM),
    ...bits.map(([size, own]) =>
      line({
        ...{ key: `tool bit ${size}`, part: 'tool', name: 'bit', detail: size, fitted: 1 },
        causes: causesByNumber(
          project,
          own.flatMap((one) => one.runs),
        ),
      }),
    ),
    ...special.map(([tools, own]) =>
      line({
        ...{ key: `tool ${tools}`, part: 'tool', name: tools, fitted: 1 },
        causes: own.map(({ id }) => ({ in: 'devices' as const, id })),
      }),
    ),
  ];
}
