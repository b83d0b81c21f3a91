import { buildingOf, levelsFromBelow, levelUnder } from '../../house/index.ts';
import {
  addRuns,
  buildablePlace,
  CABLE_TYPES,
  DEVICE_TYPES,
  deviceTitle,
  nearestRack,
  placeAll,
  type Placed,
} from '../../devices/index.ts';
import type { Point2 } from '../../math/index.ts';
import { create, type Device, isConduit, newFeature, type Operation, type ProjectDocument, type Run } from '../../model/index.ts';
import { edited, listOf, partOf, pickedFrom, withRecords } from '../../derive/index.ts';
import { type EndPlace, routeDevice, type RoutedPath } from '../../routing/index.ts';
import { endOfDevice, plannedRun, routeNetwork, sharedLoads } from '../../runs/index.ts';
import { CONDUITS, conduitSize, type ConduitSize, legsOf } from '../../calculators/index.ts';
import { cornersOf } from './pathway-fill.ts';

/** A place that a later cable will be wanted at, and the conduit that is there for it or is missing (practice A40, B09). */
export interface SpareConduit {
  readonly why: 'attic' | 'display' | 'projector' | 'outdoors';
  /** The device or the attic that it is for; null for outdoors. */
  readonly subject: { readonly in: 'devices' | 'features' | 'levels'; readonly id: string };
  readonly name: string;
  readonly place: EndPlace;
  /** Name of the conduit that serves it already. */
  readonly servedBy: string | null;
}

/** A conduit this near to a place serves it, m. */
const SERVES_M = 1;
/** Its end above the ceiling or under the floor of the place counts, m. */
const STOREY_M = 2.2;

export const PICTURES = partOf(
  'pictures',
  'devices',
  ({ fitting, typeId }) => fitting !== 'spare' && /display|projector/.test(typeId),
);
export const OUTDOORS = partOf('outdoors', 'devices', ({ roomId }) => roomId === null);

/**
 * Where a spare conduit is wanted: from every attic and from outdoors to the head end; at a display a local one, to the furniture below
 * it or to its connection box; at a projector one to anywhere.
 */
export function spareConduits(project: ProjectDocument): SpareConduit[] {
  const rack = listOf(project, 'racks')[0];
  if (!rack) return [];
  const conduits = listOf(project, 'features').filter(({ kind }) => kind === 'conduit');
  const laid = new Map<string, Run>();
  for (const run of listOf(project, 'runs')) {
    if (!isConduit(project.cableTypes[run.cableTypeId])) continue;
    for (const id of [run.deviceId, run.toDeviceId]) if (id !== null && !laid.has(id)) laid.set(id, run);
  }
  const building = buildingOf(project);
  const served = (levelId: string, p: Point2, heightM: number | null) => {
    const { elevationM, ceilingHeightM } = building.levelById[levelId];
    const z = elevationM + (heightM ?? ceilingHeightM);
    return (
      conduits.find((conduit) =>
        cornersOf(building, conduit).some(
          ([x, y, cornerZ], k, all) =>
            (k === 0 || k === all.length - 1) && Math.hypot(x - p[0], y - p[1]) <= SERVES_M && Math.abs(cornerZ - z) <= STOREY_M,
        ),
      ) ?? null
    );
  };
  const wanted: SpareConduit[] = [];
  for (const device of pickedFrom(project, PICTURES)) {
    const type = project.deviceTypes[device.typeId];
    if (type.system !== 'picture') continue;
    wanted.push({
      why: device.typeId.includes('projector') ? 'projector' : 'display',
      subject: { in: 'devices', id: device.id },
      name: deviceTitle(device, type),
      place: endOfDevice(project, device),
      servedBy: laid.get(device.id)?.number ?? served(device.levelId, [device.x, device.y], device.heightM)?.name ?? null,
    });
  }
  for (const attic of listOf(project, 'features').filter(({ kind }) => kind === 'attic')) {
    const over = middleOf(attic.points as Point2[]);
    const there = conduits.find(({ levelId, topLevelId }) => topLevelId === attic.levelId || levelId === attic.levelId) ?? null;
    wanted.push({
      why: 'attic',
      subject: { in: 'features', id: attic.id },
      name: attic.name,
      place: { levelId: attic.levelId, x: over[0], y: over[1], heightM: null, mount: 'ceiling' },
      servedBy: there?.name ?? null,
    });
  }
  const [outdoors] = pickedFrom(project, OUTDOORS);
  if (outdoors) {
    const through = listOf(project, 'features').find(({ kind }) => kind === 'underground-way') ?? null;
    wanted.push({
      why: 'outdoors',
      subject: {
        in: 'levels',
        id: (levelsFromBelow(project).find(({ order }) => order >= 0) ?? levelsFromBelow(project)[0]).id,
      },
      name: '',
      place: endOfDevice(project, outdoors),
      servedBy:
        pickedFrom(project, OUTDOORS).flatMap(({ id }) => laid.get(id)?.number ?? [])[0] ??
        (through ?? served(outdoors.levelId, [outdoors.x, outdoors.y], outdoors.heightM))?.name ??
        null,
    });
  }
  return wanted;
}

const middleOf = (points: readonly Point2[]): Point2 => [
  points.reduce((sum, p) => sum + p[0], 0) / points.length,
  points.reduce((sum, p) => sum + p[1], 0) / points.length,
];

/** A conduit that would serve a place: where it lies, how large, and how it bends. */
export interface ProposedConduit {
  readonly operations: readonly Operation[];
  readonly size: ConduitSize;
  readonly lengthM: number;
  readonly bendsRad: number;
}

/** Cables that a spare conduit has to take later: two of Category 6A and a picture lead with its plug, m. */
const LATER_M = [0.0078, 0.0078, 0.009];

/** The size that takes them, of the region of the project. */
function sizeFor({ project: { jurisdiction } }: ProjectDocument): ConduitSize {
  const sized = conduitSize(LATER_M, jurisdiction);
  return sized.ok ? sized.value : CONDUITS.filter(({ region }) => (region === 'NA') === (jurisdiction === 'NA')).at(-1)!;
}

/**
 * The conduit along the route that a cable from this place would take: a line for each level part of it, from pull box to pull box, free for
 * later, with its length and bends from end to end. Null where no route leads there. `id` names the new things.
 */
export function proposeConduit(project: ProjectDocument, wanted: SpareConduit, id: string): ProposedConduit | null {
  const { place, name, why, subject } = wanted;
  if (why === 'display') return localConduit(project, subject.id, id);
  const rack = nearestRack(project, place);
  const network = routeNetwork(project);
  if (!rack) return null;
  const route = routeDevice(network, place, rack, sharedLoads(project));
  if (!route.ok) return null;
  const parts = levelParts(route.value);
  if (parts.length === 0) return null;
  const size = sizeFor(project);
  const building = buildingOf(project);
  const pieces = parts.flatMap(({ points, z }) => betweenBoxes(points).map((piece) => ({ points: piece, z })));
  const features = pieces.map(({ points, z }, k) => {
    const level = levelUnder(building, z)!;
    return newFeature({
      id: (k === 0 ? id : `${id}_p${k}`).slice(0, 40),
      levelId: level.id,
      kind: 'conduit',
      name: `Spare, ${why === 'outdoors' ? 'outdoors' : name || why}`.slice(0, 80),
      points,
      widthM: size.outsideM,
      bottomM: tidy(z - level.elevationM - size.outsideM / 2),
      topM: tidy(z - level.elevationM + size.outsideM / 2),
      insideDiameterM: size.insideM,
      contents: 'pull string',
      reserved: true,
    });
  });
  const legs = legsOf(route.value.points);
  return {
    operations: features.map((feature) => create('features', feature)),
    size,
    lengthM: legs.reduce((sum, { lengthM }) => sum + lengthM, 0),
    bendsRad: legs.reduce((sum, { bendRad }) => sum + bendRad, 0),
  };
}

/** Kinds of places in furniture or beside it to which the conduit of a display leads. */
const LOCAL_ENDS = ['connection-box', 'equipment-place', 'game-point'];
/** Below the display a place for its equipment is this high, m. */
const PLACE_HEIGHT_M = 0.4;
/** It may stand this far aside of its display, m. */
const ASIDE_M = 0.6;

/** A conduit from a display to the place of its equipment in the same room; where there is none one is placed below it. */
function localConduit(project: ProjectDocument, displayId: string, id: string): ProposedConduit | null {
  const display = project.devices[displayId];
  const size = sizeFor(project);
  const there = Object.values(project.cableTypes).filter(isConduit);
  const fits = [...there, ...CABLE_TYPES.filter((cable) => isConduit(cable) && !project.cableTypes[cable.id])]
    .filter(({ outsideDiameterM }) => outsideDiameterM >= size.insideM)
    .sort((a, b) => a.outsideDiameterM - b.outsideDiameterM)[0];
  if (!fits || display.roomId === null) return null;
  const operations: Operation[] = project.cableTypes[fits.id] ? [] : [create('cableTypes', fits)];
  const away = ({ x, y }: Device) => Math.hypot(x - display.x, y - display.y);
  let end = listOf(project, 'devices')
    .filter(({ roomId, typeId }) => roomId === display.roomId && LOCAL_ENDS.includes(typeId))
    .sort((a, b) => away(a) - away(b) || (a.id < b.id ? -1 : 1))[0];
  if (!end) {
    const placed = placeBelow(project, display, `${id}_p`);
    if (!placed) return null;
    [end] = placed.devices;
    operations.push(...placed.operations);
  }
  const before = edited(project, operations);
  if (!before.ok) return null;
  const added = addRuns(
    before.value,
    [displayId],
    { cableTypeId: fits.id, to: { deviceId: end.id }, purpose: 'later cables' },
    () => id.slice(0, 40),
  );
  if (!added.ok) return null;
  const after = edited(before.value, added.value.operations);
  const route = after.ok ? plannedRun(after.value, added.value.runs[0].id).proposedRoute : null;
  if (!route?.ok) return null;
  const legs = legsOf(route.value.points);
  return {
    operations: [...operations, ...added.value.operations],
    size,
    lengthM: legs.reduce((sum, { lengthM }) => sum + lengthM, 0),
    bendsRad: legs.reduce((sum, { bendRad }) => sum + bendRad, 0),
  };
}

/** A place for the equipment of a display, on its wall below it. */
function placeBelow(project: ProjectDocument, display: Device, id: string): Placed | null {
  const type = project.deviceTypes['equipment-place'] ?? DEVICE_TYPES.find((one) => one.id === 'equipment-place')!;
  const known = project.deviceTypes[type.id] ? project : withRecords(project, 'deviceTypes', [type]);
  let count = 0;
  const ids = { device: () => id.slice(0, 40), run: () => `${id.slice(0, 37)}_${++count}` };
  const at: Point2 = [display.x, display.y];
  const put = (where: Point2) => placeAll(known, display.levelId, [{ typeId: type.id, at: where, heightM: PLACE_HEIGHT_M }], ids);
  const first = put(at);
  const there = first.ok ? edited(known, first.value.operations) : null;
  if (!first.ok || !there?.ok) return null;
  // Off the studs, where it can be.
  const place = buildablePlace(there.value, first.value.devices[0], ASIDE_M);
  count = 0;
  const placed = place.movedM === 0 ? first : put(place.at);
  if (!placed.ok) return null;
  const types = known === project ? [] : [create('deviceTypes', type)];
  return { ...placed.value, operations: [...types, ...placed.value.operations] };
}

/** Bends and length between two pull boxes (ENGINEERING 6: 180 degrees and 30 m by practice). */
const MAX_BENDS_RAD = Math.PI;
const LONGEST_PULL_M = 30;

/** The pieces of a line that can be pulled through one by one: a pull box stands between two of them. */
function betweenBoxes(points: readonly [number, number][]): [number, number][][] {
  const pieces: [number, number][][] = [];
  let piece: [number, number][] = [points[0]];
  let [bendsRad, lengthM] = [0, 0];
  const box = (at: [number, number]) => {
    piece.push(at);
    pieces.push(piece);
    piece = [at];
    [bendsRad, lengthM] = [0, 0];
  };
  for (let k = 1; k < points.length; k++) {
    const [a, b] = [points[k - 1], points[k]];
    const directionRad = Math.atan2(b[1] - a[1], b[0] - a[0]);
    const wholeM = Math.hypot(b[0] - a[0], b[1] - a[1]);
    let doneM = 0;
    while (lengthM + wholeM - doneM > LONGEST_PULL_M + 1e-6) {
      doneM += LONGEST_PULL_M - lengthM;
      box([tidy(a[0] + Math.cos(directionRad) * doneM), tidy(a[1] + Math.sin(directionRad) * doneM)]);
    }
    lengthM += wholeM - doneM;
    const next = points[k + 1];
    if (!next) {
      piece.push(b);
      break;
    }
    const turnRad = Math.abs(wrapped(Math.atan2(next[1] - b[1], next[0] - b[0]) - directionRad));
    if (bendsRad + turnRad > MAX_BENDS_RAD + 1e-6) box(b);
    else {
      bendsRad += turnRad;
      if (turnRad > 1e-6) piece.push(b);
    }
  }
  pieces.push(piece);
  return pieces.filter((one) => one.length > 1);
}

const wrapped = (angleRad: number) => Math.atan2(Math.sin(angleRad), Math.cos(angleRad));

const tidy = (value: number) => Math.round(value * 1e4) / 1e4;

/** Level parts shorter than this belong to the drops beside them, m. */
const SHORT_M = 0.5;

/** The parts of a route at one height, from its start on, as corners on the plan; the longest one where all are short. */
function levelParts({ points }: RoutedPath): { points: [number, number][]; z: number }[] {
  const parts: { points: [number, number][]; z: number; lengthM: number }[] = [];
  for (let k = 0; k < points.length;) {
    let end = k;
    let lengthM = 0;
    while (end + 1 < points.length && Math.abs(points[end + 1][2] - points[k][2]) < 1e-6) {
      lengthM += Math.hypot(points[end + 1][0] - points[end][0], points[end + 1][1] - points[end][1]);
      end++;
    }
    if (lengthM > 1e-6) parts.push({ points: points.slice(k, end + 1).map(([x, y]) => [x, y]), z: points[k][2], lengthM });
    k = end + 1;
  }
  const long = parts.filter(({ lengthM }) => lengthM >= SHORT_M);
  return long.length > 0 ? long : parts.sort((a, b) => b.lengthM - a.lengthM).slice(0, 1);
}
