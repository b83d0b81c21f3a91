import { CONDUITS, conduitFill } from '../calculators/index.ts';
import { derivationsOf } from '../derive/index.ts';
import { buildingOf, openingsOf, roomAt, wallElevation, wallLength, wallPoint, wallsAround } from '../house/index.ts';
import { closestOnSegment, distance2, type Point2, RACK_UNIT_M } from '../math/index.ts';
import type { Equipment, ProjectDocument, Rack } from '../model/index.ts';
import { boardM, insideHeightM, isRackMounted, isWallHung } from './arrange.ts';
import { HEAD_ENDS, type HeadEnd } from './head-end.ts';

/** Something on a wall: from its end a, heights above finished floor, m. */
export interface OnWall {
  readonly kind: 'rack' | 'board' | 'device' | 'opening' | 'hung' | 'outlet';
  readonly id: string;
  readonly name: string;
  readonly fromM: number;
  readonly toM: number;
  readonly bottomM: number;
  readonly topM: number;
}

/** One wall of an equipment room seen from within. */
export interface RoomWall {
  readonly wallId: string;
  readonly lengthM: number;
  readonly heightM: number;
  readonly items: readonly OnWall[];
  /** Wall that is neither opening, rack nor device between knee and reach, m2. */
  readonly freeM2: number;
}

/** Cables of one family on their way into a head end, and the smallest openings that take them. */
export interface FamilyEntry {
  readonly family: string;
  /** The cables of it, by the names of their types. */
  readonly names: readonly string[];
  readonly cables: number;
  /** Sleeves of this size, each filled no more than its limit. */
  readonly sleeves: number;
  readonly size: string;
  readonly fill: number;
  readonly limit: number;
}

/** What the framer makes for a head end. */
export interface FramerOpening {
  readonly kind: 'bay' | 'niche' | 'none';
  readonly widthM: number;
  readonly heightM: number;
  readonly depthM: number;
  /** Its lower edge above finished floor, m. */
  readonly sillM: number;
}

export interface EquipmentRoom {
  readonly rack: Rack;
  readonly roomId: string | null;
  readonly roomName: string;
  readonly floorM2: number | null;
  readonly walls: readonly RoomWall[];
  /** Equipment that hangs on the wall beside it, with the area that it takes with room for cables, m2. */
  readonly hung: readonly Equipment[];
  readonly hungM2: number;
  readonly freeM2: number;
  readonly entries: readonly FamilyEntry[];
  readonly opening: FramerOpening;
  /** Free before the front, and what is planned with, m. */
  readonly workingM: number;
  /** Cable that a rack on slides needs beyond its top, m. */
  readonly serviceLoopM: number;
  readonly doors: readonly {
    readonly id: string;
    readonly widthM: number;
    readonly swingsIn: boolean;
    readonly hitsRack: boolean;
  }[];
  readonly checklist: readonly { readonly item: ClosetItem; readonly isDone: boolean }[];
}

/** What turns a closet into an equipment room (PRACTICE A45). */
export const CLOSET_ITEMS = ['backboard', 'power', 'high-outlet', 'vent', 'data-line', 'working-space', 'separation'] as const;
export type ClosetItem = (typeof CLOSET_ITEMS)[number];

/** Free before a rack (ENGINEERING 15.1), m. */
export const WORKING_M = 0.76;
const SLIDE_LOOP_M = 2.4;
/** Between knee and reach one hangs equipment, m. */
const [HUNG_FROM_M, HUNG_TO_M] = [0.6, 2];
/** Equipment on a wall takes half as much again for its cables. */
const CABLES = 1.5;
/** Beside and above a rack that stands in a niche, m. */
const NICHE_SIDE_M = 0.025;
const NICHE_ABOVE_M = 0.05;
/** Above finished floor: the lower edge of an enclosure between studs, m. */
const BAY_SILL_M = 1.07;

/** The room or closet of a head end: walls, what hangs there, openings, and what is still to do. */
export function equipmentRoom(project: ProjectDocument, rackId: string): EquipmentRoom | null {
  const headEnd = derivationsOf(project)
    .get(HEAD_ENDS)
    .find(({ rack }) => rack.id === rackId);
  if (!headEnd) return null;
  const { rack, equipment } = headEnd;
  const room = roomAt(buildingOf(project), rack.levelId, [rack.x, rack.y]);
  const walls = room ? wallsAround(project, room).map(({ wall }) => roomWall(project, headEnd, wall.id)) : [];
  const hung = equipment.filter((one) => (isRackMounted(rack) ? isWallHung(one) : rack.kind === 'enclosure' && isWallHung(one)));
  const hungM2 = CABLES * hung.reduce((sum, { widthM, heightM }) => sum + widthM * heightM, 0);
  const freeM2 = walls.reduce((sum, one) => sum + one.freeM2, 0);
  const doors = room ? doorsOf(project, rack, walls) : [];
  const base = {
    ...{ rack, walls, hung, hungM2, freeM2, doors },
    ...{ roomId: room?.id ?? null, roomName: room?.name ?? '' },
    floorM2: room ? areaOf(room.polygon as Point2[]) : null,
    entries: entriesOf(project, headEnd),
    opening: openingFor(rack),
    ...{ workingM: WORKING_M, serviceLoopM: SLIDE_LOOP_M },
  };
  return { ...base, checklist: checklistOf(headEnd, base) };
}

const areaOf = (outline: readonly Point2[]): number =>
  Math.abs(
    outline.reduce(
      (sum, [x, y], n) => sum + x * outline[(n + 1) % outline.length][1] - y * outline[(n + 1) % outline.length][0],
      0,
    ),
  ) / 2;

/** What the framer leaves open: a bay between studs for an enclosure, a niche for a cabinet in a wall. */
export function openingFor(rack: Pick<Rack, 'kind' | 'units' | 'widthM' | 'depthM' | 'entryHeightM'>): FramerOpening {
  if (rack.kind === 'enclosure')
    return { kind: 'bay', widthM: rack.widthM, heightM: insideHeightM(rack), depthM: rack.depthM, sillM: BAY_SILL_M };
  if (!isRackMounted(rack)) return { kind: 'none', widthM: 0, heightM: 0, depthM: 0, sillM: 0 };
  return {
    ...{ kind: 'niche', widthM: rack.widthM + 2 * NICHE_SIDE_M, depthM: rack.depthM, sillM: 0 },
    heightM: rack.units * RACK_UNIT_M + NICHE_ABOVE_M,
  };
}

function roomWall(project: ProjectDocument, { rack, equipment }: HeadEnd, wallId: string): RoomWall {
  const wall = project.walls[wallId];
  const seen = wallElevation(project, wall);
  const { offsetM, distanceM } = alongWall([rack.x, rack.y], wall);
  const stands = distanceM <= wall.thicknessM / 2 + rack.depthM / 2 + 0.05 && faces(rack, wall);
  const [boardWidthM, boardHeightM] = boardM(rack);
  const topM = isRackMounted(rack) ? rack.units * RACK_UNIT_M : BAY_SILL_M + boardHeightM;
  const own: OnWall[] = stands
    ? [
        {
          ...{ kind: isRackMounted(rack) ? ('rack' as const) : ('board' as const), id: rack.id, name: rack.name },
          ...{ fromM: offsetM - boardWidthM / 2, toM: offsetM + boardWidthM / 2 },
          ...{ bottomM: isRackMounted(rack) ? 0 : BAY_SILL_M, topM },
        },
      ]
    : [];
  let at = offsetM + boardWidthM / 2 + 0.1;
  const hung = stands
    ? equipment.filter(isWallHung).map((one): OnWall => {
        const fromM = at;
        at += one.widthM + 0.1;
        return {
          kind: 'hung',
          id: one.id,
          name: one.name,
          fromM,
          toM: fromM + one.widthM,
          bottomM: BAY_SILL_M,
          topM: BAY_SILL_M + one.heightM,
        };
      })
    : [];
  const items: OnWall[] = [
    ...own,
    ...hung,
    ...seen.openings.map((one): OnWall => ({
      ...{ kind: 'opening', id: one.id, name: one.kind, fromM: one.offsetM - one.widthM / 2, toM: one.offsetM + one.widthM / 2 },
      ...{ bottomM: one.sillM, topM: one.headM },
    })),
    ...seen.devices.map(({ device, offsetM: middleM, heightM }): OnWall => {
      const type = project.deviceTypes[device.typeId];
      const [widthM, highM] = type.frameM ?? [type.sizeM[0], Math.max(0.07, type.sizeM[1])];
      return {
        ...{ kind: type.id === 'mains-outlet' ? 'outlet' : 'device', id: device.id, name: device.name || type.name },
        ...{ fromM: middleM - widthM / 2, toM: middleM + widthM / 2, bottomM: heightM - highM / 2, topM: heightM + highM / 2 },
      };
    }),
  ];
  const taken = items.reduce((sum, { fromM, toM, bottomM, topM: upTo, kind }) => {
    if (kind === 'hung') return sum;
    const high = Math.max(0, Math.min(upTo, HUNG_TO_M) - Math.max(bottomM, HUNG_FROM_M));
    return sum + Math.max(0, Math.min(toM, seen.lengthM) - Math.max(fromM, 0)) * high;
  }, 0);
  return {
    wallId,
    lengthM: seen.lengthM,
    heightM: seen.heightM,
    items,
    freeM2: Math.max(0, seen.lengthM * (HUNG_TO_M - HUNG_FROM_M) - taken),
  };
}

type Line = { readonly a: Point2; readonly b: Point2 };

function alongWall(p: Point2, { a, b }: Line) {
  const { t, distanceM } = closestOnSegment(p, a, b);
  return { offsetM: t * distance2(a, b), distanceM };
}

/** Whether a head end has its back to a wall. */
function faces({ facingRad }: Rack, { a, b }: Line): boolean {
  const along = [(b[0] - a[0]) / distance2(a, b), (b[1] - a[1]) / distance2(a, b)];
  return Math.abs(Math.cos(facingRad) * along[0] + Math.sin(facingRad) * along[1]) < 0.5;
}

/** Doors of the room, and whether their leaf comes within the working space of the rack. */
function doorsOf(project: ProjectDocument, rack: Rack, walls: readonly RoomWall[]): EquipmentRoom['doors'] {
  const front: Point2 = [
    rack.x + Math.cos(rack.facingRad) * (rack.depthM / 2 + WORKING_M / 2),
    rack.y + Math.sin(rack.facingRad) * (rack.depthM / 2 + WORKING_M / 2),
  ];
  return walls.flatMap(({ wallId }) => {
    const wall = project.walls[wallId];
    return openingsOf(buildingOf(project), wall)
      .filter(({ kind }) => kind === 'door')
      .map((one) => {
        const hingeM = one.offsetM + (one.hinge === 'end' ? 1 : -1) * (one.widthM / 2);
        const at = wallPoint(wall, Math.min(Math.max(hingeM, 0), wallLength(wall)));
        const side =
          (wall.b[0] - wall.a[0]) * (rack.y - wall.a[1]) - (wall.b[1] - wall.a[1]) * (rack.x - wall.a[0]) > 0 ? 'left' : 'right';
        const swingsIn = one.swing === side;
        const reachM = one.widthM + WORKING_M / 2;
        return { id: one.id, widthM: one.widthM, swingsIn, hitsRack: swingsIn && distance2(at, front) < reachM - 1e-9 };
      });
  });
}

/** Cables by family with the sleeves that they take, in the sizes of the region; signal families never share a sleeve with speaker cable. */
function entriesOf(project: ProjectDocument, { needs }: HeadEnd): FamilyEntry[] {
  const { jurisdiction } = project.project;
  const byFamily = new Map<string, number[]>();
  const namesOf = new Map<string, Set<string>>();
  for (const { runId } of needs) {
    const cable = project.cableTypes[project.runs[runId].cableTypeId];
    byFamily.set(cable.family, [...(byFamily.get(cable.family) ?? []), cable.outsideDiameterM]);
    namesOf.set(cable.family, (namesOf.get(cable.family) ?? new Set()).add(cable.name));
  }
  const sizes = CONDUITS.filter(({ region }) => region === (jurisdiction === 'NA' ? 'NA' : 'EU'));
  return [...byFamily].sort().map(([family, diameters]) => {
    const about = { family, names: [...namesOf.get(family)!].sort(), cables: diameters.length };
    const largest = sizes[sizes.length - 1];
    for (let sleeves = 1; sleeves <= diameters.length; sleeves++) {
      const each = spread(diameters, sleeves);
      for (const one of sizes) {
        const filled = each.map((group) => conduitFill(group, one.insideM, jurisdiction));
        if (!filled.every((fill) => fill.ok && fill.value.fits)) continue;
        const fullest = filled.map((fill) => (fill.ok ? fill.value : null)!).sort((a, b) => b.fill - a.fill)[0];
        return { ...about, sleeves, size: one.name, fill: fullest.fill, limit: fullest.limit };
      }
    }
    return { ...about, sleeves: diameters.length, size: largest.name, fill: 1, limit: 0.4 };
  });
}

/** Cables spread over sleeves, the thickest first, each to the emptiest. */
function spread(diameters: readonly number[], sleeves: number): number[][] {
  const groups = Array.from({ length: sleeves }, (): { all: number[]; sum: number } => ({ all: [], sum: 0 }));
  for (const d of [...diameters].sort((a, b) => b - a)) {
    const least = groups.reduce((best, one) => (one.sum < best.sum ? one : best));
    least.all.push(d);
    least.sum += d * d;
  }
  return groups.map(({ all }) => all);
}

const HIGH_OUTLET_M = 1.5;

function checklistOf(
  { rack, power, needs }: HeadEnd,
  room: Pick<EquipmentRoom, 'walls' | 'hungM2' | 'freeM2' | 'doors'>,
): EquipmentRoom['checklist'] {
  const { closet } = rack;
  const done: Readonly<Record<ClosetItem, boolean>> = {
    backboard: room.hungM2 <= room.freeM2 + 1e-9,
    power: power.unfedIds.length === 0 && power.circuits.length > 0,
    'high-outlet':
      room.hungM2 === 0 ||
      room.walls.some(({ items }) => items.some(({ kind, bottomM }) => kind === 'outlet' && bottomM >= HIGH_OUTLET_M)),
    vent: closet === null || closet.exhaustBy !== 'none',
    'data-line': needs.some(({ kind }) => kind === 'data'),
    'working-space': room.doors.every(({ hitsRack }) => !hitsRack),
    separation: closet === null || closet.pierces === 'none' || (closet.pierces === 'separation' && closet.hasDamper),
  };
  return CLOSET_ITEMS.map((item) => ({ item, isDone: done[item] }));
}
