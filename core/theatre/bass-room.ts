import { modeCoupling, roomMode } from '../calculators/index.ts';
import { ceilingHeightAt } from '../house/index.ts';
import { polygonArea, boundsOf, type Point2, rotate2 } from '../math/index.ts';
import type { ProjectDocument, Room } from '../model/index.ts';
import type { Place } from './channel-at-seat.ts';
import type { Speaker } from './channel-figures.ts';
import type { Picture } from './picture.ts';
import type { Seat } from './seats.ts';

/** A seat where a mode is not heard. */
export interface SeatOnNode {
  readonly seat: number;
  readonly order: readonly [number, number, number];
  readonly hz: number;
  /** Share of the length or width at which it stands, and the node, 0 to 1. */
  readonly share: number;
  readonly node: number;
}

/** A room as the rectangular box that its low frequencies are worked out for; lengths in m, places from one of its corners. */
export interface BassRoom {
  /** Along which the seats look, across, and up. */
  readonly sidesM: readonly [number, number, number];
  /** Whether the room is no box: the box has its volume then, and figures are approximate. */
  readonly isApproximate: boolean;
  readonly subwoofers: readonly { readonly deviceId: string; readonly at: Place }[];
  readonly seats: readonly Place[];
  readonly seatsOnNodes: readonly SeatOnNode[];
  /** Where the plan's origin of the box is, and how it is turned, to lead its places back to the plan. */
  readonly origin: Point2;
  readonly turnRad: number;
  /** By how much the box is stretched against the outline of the room. */
  readonly stretch: number;
}

/** A room whose outline differs by less from its bounding box is one, share of the area. */
const BOX_WITHIN = 0.02;
/** Nodes of the first two orders, and how near to one a seat stands on it (ENGINEERING 10.5), share of the side. */
const NODES: readonly (readonly [order: number, share: number])[] = [
  [1, 0.5],
  [2, 0.25],
  [2, 0.75],
];
const NEAR_SHARE = 0.02;
/** A mode that the subwoofers drive less than this is not heard anywhere. */
const DRIVEN = 0.1;

/** A place on the plan in the box, m from its corner, held within it. */
export function intoBox(
  { sidesM, origin, turnRad, stretch }: Pick<BassRoom, 'sidesM' | 'origin' | 'turnRad' | 'stretch'>,
  at: Place,
): Place {
  const [u, v] = rotate2([at[0] - origin[0], at[1] - origin[1]], -turnRad);
  const held = (value: number, side: number) => Math.min(side, Math.max(0, value));
  return [held(u * stretch, sidesM[0]), held(v * stretch, sidesM[1]), held(at[2], sidesM[2])];
}

/** A place of the box on the plan. */
export function ontoPlan(
  { origin, turnRad, stretch }: Pick<BassRoom, 'origin' | 'turnRad' | 'stretch'>,
  [u, v]: readonly [number, number, ...number[]],
): Point2 {
  const [x, y] = rotate2([u / stretch, v / stretch], turnRad);
  return [origin[0] + x, origin[1] + y];
}

/** The box of a room by its outline from face to face. */
export function bassRoomOf(
  project: ProjectDocument,
  room: Room,
  polygon: readonly Point2[],
  {
    picture,
    speakers,
    seats,
  }: { readonly picture: Picture | null; readonly speakers: readonly Speaker[]; readonly seats: readonly Seat[] },
): BassRoom {
  // Its first axis goes from the picture to the seats; a room without one lies as its plan.
  const turnRad = picture ? -(((picture.facingDeg + 90) * Math.PI) / 180) : 0;
  const turned = polygon.map((p) => rotate2(p, -turnRad));
  const { minX, minY, maxX, maxY } = boundsOf(turned)!;
  const [lengthM, widthM] = [maxX - minX, maxY - minY];
  const share = Math.abs(polygonArea(polygon)) / (lengthM * widthM);
  const isApproximate = share < 1 - BOX_WITHIN || room.ceilingKind !== 'flat';
  const stretch = isApproximate ? Math.sqrt(Math.min(1, share)) : 1;
  const level = project.levels[room.levelId];
  const heights = polygon.map((p) => ceilingHeightAt(room, level, p));
  const heightM = heights.reduce((sum, one) => sum + one, 0) / heights.length;
  const box = {
    sidesM: [lengthM * stretch, widthM * stretch, heightM] as const,
    origin: rotate2([minX, minY], turnRad),
    ...{ turnRad, stretch },
  };
  const subwoofers = speakers
    .filter(({ channel }) => channel === 'subwoofer')
    .map(({ id, x, y, heightM: atM }) => ({ deviceId: id, at: intoBox(box, [x, y, atM ?? 0]) }));
  const places = seats.map((seat) => intoBox(box, [...seat.at, seat.earM]));
  return {
    ...box,
    isApproximate,
    subwoofers,
    seats: places,
    seatsOnNodes: onNodes(
      box.sidesM,
      places,
      subwoofers.map(({ at }) => at),
    ),
  };
}

/** Seats on a node of the first two modes along and across, of those that the subwoofers drive. */
function onNodes(sidesM: BassRoom['sidesM'], seats: readonly Place[], subwoofers: readonly Place[]): SeatOnNode[] {
  const [lengthM, widthM, heightM] = sidesM;
  const sides = { lengthM, widthM, heightM };
  const found: SeatOnNode[] = [];
  for (const axis of [0, 1] as const)
    for (const [n, node] of NODES) {
      const order: [number, number, number] = axis === 0 ? [n, 0, 0] : [0, n, 0];
      const mode = roomMode.run({ ...sides, order, rt60S: 0.3 });
      seats.forEach((at, seat) => {
        const share = at[axis] / sidesM[axis];
        if (!mode.ok || Math.abs(share - node) > NEAR_SHARE) return;
        if (subwoofers.length > 0) {
          const driven = modeCoupling.run({ ...sides, order, subwoofers: subwoofers.map((one) => [...one]), seat: [...at] });
          if (!driven.ok || driven.value.coupling < DRIVEN) return;
        }
        found.push({ seat, order, hz: mode.value.hz, share, node });
      });
    }
  return found;
}
