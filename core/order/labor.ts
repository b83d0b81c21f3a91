import { HOURS } from '../calculators/index.ts';
import { derivationsOf, listOf } from '../derive/index.ts';
import { HEAD_ENDS } from '../head-end/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { constructionOf, holeSchedule, penetrationsOf, pullingWork } from '../pathways/index.ts';
import { flatPriceOf, type PlannedRun } from '../runs/index.ts';
import type { BillCause } from './bill.ts';
import { devicesInOwnBox, platesWithBox } from './boxes.ts';
import { laidConduits } from './conduits.ts';
import { centsOf } from './money.ts';
import { causesByNumber, type PulledRuns, pulledRuns, runCause } from './pulled-runs.ts';

/** Kinds of work that an offer has a line for, in the order of the job. */
export const LABOR_KINDS = [
  'bore',
  'floor',
  'box',
  'conduit',
  'pull',
  'nail-plate',
  'label',
  'seal',
  'end',
  'fit',
  'rack',
] as const;
export type LaborKind = (typeof LABOR_KINDS)[number];

/** Person-hours of one kind of work, for so many pieces, and what they are there for. */
export interface LaborLine {
  readonly kind: LaborKind;
  readonly pieces: number;
  readonly hours: number;
  readonly causes: readonly BillCause[];
}

/** A run, outlet or window that is sold at a flat price for cable, pull and ends. Whole cents. */
export interface FlatLine {
  readonly kind: 'run' | 'outlet' | 'window';
  readonly eachCents: number;
  /** Devices or runs that are sold at it. */
  readonly causes: readonly BillCause[];
  /** Runs that it pays for. */
  readonly runIds: readonly string[];
}

export interface WorkOfHouse {
  readonly labor: readonly LaborLine[];
  readonly flat: readonly FlatLine[];
}

/** Hours to set up a rack frame, and to dress each unit of its equipment (ENGINEERING 18.1), h. */
const RACK_FRAME_H = 4;
const RACK_UNIT_H = 0.4;

/** Hours of the whole house by kind of work, without runs that have a flat price (trade practice, a band of 40 % either way). */
export function workOf(project: ProjectDocument, pulled = pulledRuns(project)): WorkOfHouse {
  const flat = flatLines(project, pulled.runs);
  const paid = new Set(flat.flatMap(({ runIds }) => runIds));
  const byHours = paid.size === 0 ? pulled.runs : pulled.runs.filter(({ run }) => !paid.has(run.id));
  const places = paid.size === 0 ? pulled.places : holeSchedule(project, byHours);
  const labor = [
    ...routeLabor(project, { runs: byHours, places }),
    ...endLabor(project, byHours),
    ...deviceLabor(project),
    ...headEndLabor(project),
  ];
  return {
    labor: LABOR_KINDS.flatMap((kind) => labor.filter((line) => line.kind === kind && line.pieces > 0)),
    flat,
  };
}

const runCauses = (runs: readonly PlannedRun[]): BillCause[] => runs.map(({ run }) => runCause(run.id));

function flatLines(project: ProjectDocument, planned: readonly PlannedRun[]): FlatLine[] {
  const lines = new Map<string, { kind: FlatLine['kind']; eachCents: number; causes: BillCause[]; runIds: string[] }>();
  const add = (kind: FlatLine['kind'], price: number, cause: BillCause, runId: string) => {
    const eachCents = centsOf(price);
    const key = `${kind} ${eachCents}`;
    const line = lines.get(key) ?? { kind, eachCents, causes: [], runIds: [] };
    lines.set(key, line);
    if (!line.causes.some(({ id }) => id === cause.id)) line.causes.push(cause);
    line.runIds.push(runId);
  };
  for (const { run, device } of planned) {
    const type = project.deviceTypes[device.typeId];
    const price = run.price ?? flatPriceOf(project, type);
    if (price === null) continue;
    if (run.price !== null) add('run', price, { in: 'runs', id: run.id }, run.id);
    else add(type.system === 'shade' ? 'window' : 'outlet', price, { in: 'devices', id: device.id }, run.id);
  }
  return [...lines.values()];
}

const hoursOf = (project: ProjectDocument, kind: keyof typeof HOURS): number => HOURS[kind][constructionOf(project)];

function routeLabor(project: ProjectDocument, { runs, places }: PulledRuns): LaborLine[] {
  const work = pullingWork(project, runs, places);
  const causesOf = (numbers: readonly string[]) => causesByNumber(project, numbers);
  const floors = places.filter(({ member }) => member === 'floor' || member === 'sole-plate' || member === 'top-plate');
  const plated = places.filter(({ nailPlates }) => nailPlates);
  const plates = 2 * plated.reduce((sum, { holes }) => sum + holes.length, 0);
  const seals = penetrationsOf(project, places).filter(({ kind }) => kind === 'fire-stop' || kind === 'fire-block');
  const routed = runs.filter(({ points }) => points.length > 1);
  const conduits = laidConduits(project);
  const conduitM = conduits.reduce((sum, { lengthM }) => sum + lengthM, 0);
  return [
    { kind: 'bore', pieces: work.holes, hours: work.boreHours, causes: causesOf(places.flatMap((place) => place.runs)) },
    {
      ...{ kind: 'floor', pieces: floors.length, hours: floors.length * hoursOf(project, 'floorCrossing') },
      causes: causesOf(floors.flatMap((place) => place.runs)),
    },
    {
      ...{ kind: 'conduit', pieces: Math.round(conduitM), hours: conduitM * hoursOf(project, 'conduitM') },
      causes: conduits.map(({ id }) => ({ in: 'features', id })),
    },
    { kind: 'pull', pieces: work.pulls, hours: work.pullHours, causes: runCauses(routed) },
    {
      ...{ kind: 'nail-plate', pieces: plates, hours: plates * hoursOf(project, 'nailPlate') },
      causes: causesOf(plated.flatMap((place) => place.runs)),
    },
    {
      ...{ kind: 'seal', pieces: seals.length, hours: seals.length * hoursOf(project, 'fireStop') },
      causes: causesOf(seals.flatMap((seal) => seal.runs)),
    },
  ];
}

function endLabor(project: ProjectDocument, runs: readonly PlannedRun[]): LaborLine[] {
  const hours = runs.reduce((sum, { run }) => {
    const isCategory = project.cableTypes[run.cableTypeId].family === 'cat';
    return sum + 2 * hoursOf(project, isCategory ? 'categoryEnd' : 'coaxEnd');
  }, 0);
  return [
    { kind: 'label', pieces: runs.length, hours: runs.length * hoursOf(project, 'labelPair'), causes: runCauses(runs) },
    { kind: 'end', pieces: 2 * runs.length, hours, causes: runCauses(runs) },
  ];
}

/** Boxes of plates and of devices with one to themselves, and the devices that are fitted. */
function deviceLabor(project: ProjectDocument): LaborLine[] {
  const plates = platesWithBox(project);
  const fitted = listOf(project, 'devices').filter(({ fitting, foundId }) => fitting === 'fitted' && foundId === null);
  const boxes: BillCause[] = [
    ...plates.map(({ id }) => ({ in: 'plates' as const, id })),
    ...devicesInOwnBox(project, plates).map(({ id }) => ({ in: 'devices' as const, id })),
  ];
  return [
    { kind: 'box', pieces: boxes.length, hours: boxes.length * hoursOf(project, 'box'), causes: boxes },
    {
      ...{ kind: 'fit', pieces: fitted.length },
      hours: fitted.reduce((sum, { typeId }) => sum + project.deviceTypes[typeId].hours, 0),
      causes: fitted.map(({ id }) => ({ in: 'devices', id })),
    },
  ];
}

function headEndLabor(project: ProjectDocument): LaborLine[] {
  const headEnds = derivationsOf(project).get(HEAD_ENDS);
  const racks = headEnds.filter(({ rack, equipment }) => rack.kind === 'rack' && equipment.some(({ units }) => units > 0));
  const equipment = headEnds.flatMap((one) => one.equipment);
  const units = equipment.reduce((sum, one) => sum + Math.max(1, one.units), 0);
  return [
    {
      ...{ kind: 'rack', pieces: equipment.length, hours: racks.length * RACK_FRAME_H + units * RACK_UNIT_H },
      causes: equipment.map(({ id }) => ({ in: 'equipment', id })),
    },
  ];
}
