import { attachmentOf, buildingOf, levelsFromBelow } from '../building/index.ts';
import { deviceTitle } from '../devices/index.ts';
import type { Point2, Point3 } from '../geometry/index.ts';
import {
  create,
  listOf,
  newFeature,
  type Device,
  type Feature,
  type Operation,
  type ProjectDocument,
  type Rack,
} from '../project/index.ts';
import { routeDevice, waysIn, type EndPlace, type RoutedPath } from '../routing/index.ts';
import { routeNetwork, sharedWays } from '../runs/index.ts';
import { conduitSize, CONDUITS, type ConduitSize } from './fill.ts';
import { cornersOf } from './way-loads.ts';
import { legsOf } from './pull.ts';

/** A place that a later cable will be wanted at, and the conduit that is there for it or is missing (practice A40, B09). */
export interface SpareConduit {
  readonly why: 'attic' | 'display' | 'projector' | 'outdoors';
  /** The device or the attic that it is for; null for outdoors. */
  readonly subject: { readonly in: 'devices' | 'features' | 'levels'; readonly id: string };
  readonly name: string;
  readonly place: EndPlace;
  /** Conduit that serves it already. */
  readonly servedBy: Feature | null;
}

/** A conduit this near to a place serves it, m. */
const SERVES_M = 1;

const PICTURE = /display|projector/;

/** Where a spare conduit to the rack is wanted: every attic, display and projector, and one to the outside. */
export function spareConduits(document: ProjectDocument): SpareConduit[] {
  const rack = listOf(document, 'racks')[0];
  if (!rack) return [];
  const conduits = listOf(document, 'features').filter(({ kind }) => kind === 'conduit' || kind === 'screed-way');
  const served = (levelId: string, p: Point2) =>
    conduits.find(
      (conduit) =>
        (conduit.levelId === levelId || conduit.topLevelId === levelId) &&
        [conduit.points[0], conduit.points[conduit.points.length - 1]].some(
          (end) => Math.hypot(end[0] - p[0], end[1] - p[1]) <= SERVES_M,
        ),
    ) ?? null;
  const wanted: SpareConduit[] = [];
  for (const device of listOf(document, 'devices')) {
    const type = document.deviceTypes[device.typeId];
    if (device.fitting === 'spare' || type.system !== 'picture' || !PICTURE.test(device.typeId)) continue;
    wanted.push({
      why: device.typeId.includes('projector') ? 'projector' : 'display',
      subject: { in: 'devices', id: device.id },
      name: deviceTitle(device, type),
      place: endOf(document, device),
      servedBy: served(device.levelId, [device.x, device.y]),
    });
  }
  for (const attic of listOf(document, 'features').filter(({ kind }) => kind === 'attic')) {
    const over = middleOf(attic.points as Point2[]);
    const there = conduits.find(({ levelId, topLevelId }) => topLevelId === attic.levelId || levelId === attic.levelId) ?? null;
    wanted.push({
      why: 'attic',
      subject: { in: 'features', id: attic.id },
      name: attic.name,
      place: { levelId: attic.levelId, x: over[0], y: over[1], heightM: null, mount: 'ceiling' },
      servedBy: there,
    });
  }
  const outdoors = listOf(document, 'devices').find(({ roomId }) => roomId === null);
  if (outdoors) {
    const through = listOf(document, 'features').find(({ kind }) => kind === 'underground-way') ?? null;
    wanted.push({
      why: 'outdoors',
      subject: {
        in: 'levels',
        id: (levelsFromBelow(document).find(({ order }) => order >= 0) ?? levelsFromBelow(document)[0]).id,
      },
      name: '',
      place: endOf(document, outdoors),
      servedBy: through ?? served(outdoors.levelId, [outdoors.x, outdoors.y]),
    });
  }
  return wanted;
}

const endOf = (document: ProjectDocument, { levelId, x, y, heightM, typeId }: Device): EndPlace => ({
  levelId,
  x,
  y,
  heightM,
  mount: attachmentOf(document.deviceTypes[typeId]),
});

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

/**
 * The conduit along the way that a cable from this place would take: its level part above the ceilings, as one line on the level where
 * it lies, ending at the wall of the rack. Null where no way leads there. `id` names the new thing.
 */
export function proposeConduit(
  document: ProjectDocument,
  { place, name, why }: SpareConduit,
  id: string,
): ProposedConduit | null {
  const rack = nearestRack(document, place);
  const network = routeNetwork(document);
  if (!rack || !waysIn(network, place).ok) return null;
  const way = routeDevice(network, place, rack, sharedWays(document, network));
  if (!way.ok) return null;
  const line = levelPart(way.value);
  if (!line) return null;
  const { jurisdiction } = document.project;
  const sized = conduitSize(LATER_M, jurisdiction);
  const size = sized.ok ? sized.value : CONDUITS.filter(({ region }) => (region === 'NA') === (jurisdiction === 'NA')).at(-1)!;
  const building = buildingOf(document);
  const level = [...building.levels].reverse().find(({ elevationM }) => elevationM <= line.z + 1e-6) ?? building.levels[0];
  const feature = newFeature({
    id,
    levelId: level.id,
    kind: 'conduit',
    name: `Spare, ${why === 'outdoors' ? 'outdoors' : name || why}`.slice(0, 80),
    points: line.points,
    widthM: size.outsideM,
    bottomM: tidy(line.z - level.elevationM - size.outsideM / 2),
    topM: tidy(line.z - level.elevationM + size.outsideM / 2),
    insideDiameterM: size.insideM,
    contents: 'pull string',
    reserved: true,
  });
  const legs = legsOf(cornersOf(building, feature));
  return {
    operations: [create('features', feature)],
    size,
    lengthM: legs.reduce((sum, { lengthM }) => sum + lengthM, 0),
    bendsRad: legs.reduce((sum, { bendRad }) => sum + bendRad, 0),
  };
}

const tidy = (value: number) => Math.round(value * 1e4) / 1e4;

function nearestRack(document: ProjectDocument, { x, y }: EndPlace): Rack | null {
  const racks = [...listOf(document, 'racks')].sort((a, b) => Math.hypot(a.x - x, a.y - y) - Math.hypot(b.x - x, b.y - y));
  return racks[0] ?? null;
}

/** The longest part of a way at one height, as corners on the plan. */
function levelPart({ points }: RoutedPath): { points: [number, number][]; z: number } | null {
  let best: Point3[] = [];
  let bestM = 0;
  for (let k = 0; k < points.length;) {
    let end = k;
    let lengthM = 0;
    while (end + 1 < points.length && Math.abs(points[end + 1][2] - points[k][2]) < 1e-6) {
      lengthM += Math.hypot(points[end + 1][0] - points[end][0], points[end + 1][1] - points[end][1]);
      end++;
    }
    if (lengthM > bestM) [best, bestM] = [points.slice(k, end + 1), lengthM];
    k = end + 1;
  }
  return best.length >= 2 ? { points: best.map(([x, y]) => [x, y]), z: best[0][2] } : null;
}
