import { type Building, nearestWall, roomAt, type WallPlace } from '../house/index.ts';
import type { Point2, Point3 } from '../math/index.ts';
import type { Feature, FeatureKind, Medium } from '../model/index.ts';
import type { ArcList, Axis } from './arcs.ts';
import type { Entry } from './attach.ts';
import { cavityZ } from './spaces.ts';
import type { Channel, Mouth, Stub } from './stubs.ts';
import { isSolid, isStone, type Weights } from './weights.ts';

/** What a pathway needs of the network that it joins. */
export interface PathwayContext {
  readonly attach: (
    levelIndex: number,
    p: Point2,
    z: number,
    medium: 'riser' | 'chase' | 'conduit' | 'wall',
    same?: boolean,
  ) => readonly Entry[];
  /** Where a pathway comes up inside a wall, and channels along it. */
  readonly stub: (stub: Stub) => void;
  readonly mouth: (mouth: Mouth) => void;
  readonly channel: (channel: Channel) => void;
  /** A new node of a riser or pathway; returns its number. */
  readonly node: (at: Point3, ownerId: string) => number;
  readonly arcs: ArcList;
}

/** Pathways that somebody made or found: risers, chases and chimneys, conduits, soffits, outside walls, channels, trenches. */
export function addPathways(building: Building, weights: Weights, context: PathwayContext): void {
  for (const { id, x, y, bottomLevelId, topLevelId } of building.risers)
    shaft(building, context, id, [x, y], bottomLevelId, topLevelId, 'riser', 1);
  const joints = new Map<string, number>();
  for (const level of building.levels) {
    for (const feature of building.featuresByLevel[level.id] ?? []) {
      if (feature.kind === 'chase' || feature.kind === 'disused-chimney')
        shaft(
          building,
          context,
          feature.id,
          feature.points[0] as Point2,
          level.id,
          feature.topLevelId ?? level.id,
          'chase',
          weights.madeWay,
        );
      else if (feature.kind in LINES && feature.points.length >= 2 && !feature.reserved)
        line(building, weights, context, feature, joints);
    }
  }
}

/** An upright hollow with a place at each level that it passes. */
function shaft(
  building: Building,
  { attach, node, arcs }: PathwayContext,
  id: string,
  p: Point2,
  bottomId: string,
  topId: string,
  medium: 'riser' | 'chase',
  share: number,
): void {
  const indexOf = (id: string) => building.levels.findIndex((level) => level.id === id);
  const [bottom, top] = [indexOf(bottomId), indexOf(topId)];
  let below: { number: number; z: number } | null = null;
  for (let levelIndex = Math.min(bottom, top); levelIndex <= Math.max(bottom, top); levelIndex++) {
    const room = roomAt(building, building.levels[levelIndex].id, p);
    const z = room ? cavityZ(building, room) : null;
    if (z === null) continue;
    const number = node([p[0], p[1], z], id);
    for (const entry of attach(levelIndex, p, z, medium)) join(arcs, number, entry);
    if (below) arcs.add(number, below.number, 2, Math.abs(z - below.z) * share, 0, { points: [], media: [medium] });
    below = { number, z };
  }
}

function join(arcs: ArcList, number: number, { node, points, media, axis, work, holes }: Entry): void {
  arcs.add(number, node, axis, work, holes, { points: points.slice(1, -1), media });
}

/** What a line drawn in the survey is to a cable, and whether it is entered along its length or at its ends only. */
const LINES: Readonly<
  Partial<Record<FeatureKind, { medium: Medium; open: boolean; cost: Exclude<keyof Weights, 'jurisdiction' | 'joistSpan'> }>>
> = {
  conduit: { medium: 'conduit', open: false, cost: 'madeWay' },
  'underground-way': { medium: 'underground', open: false, cost: 'underground' },
  'soffit-way': { medium: 'soffit', open: true, cost: 'outside' },
  'outside-wall-way': { medium: 'outside', open: true, cost: 'outside' },
  'surface-channel': { medium: 'surface', open: true, cost: 'visible' },
  'screed-way': { medium: 'screed', open: false, cost: 'madeWay' },
};

/** Pathways of one kind that meet within this are joined: a junction box or draw pit, m. */
const JOINT_M = 0.05;
/** How far from a wall's centre line a pathway may end that comes up in it, m. */
const STUB_REACH_M = 0.35;

function line(
  building: Building,
  weights: Weights,
  { attach, node, arcs, stub, mouth, channel }: PathwayContext,
  feature: Feature,
  joints: Map<string, number>,
): void {
  const { medium, open, cost } = LINES[feature.kind]!;
  const level = building.levelById[feature.levelId];
  const levelIndex = building.levels.indexOf(level);
  const top = feature.topLevelId === null ? level : building.levelById[feature.topLevelId];
  const z = level.elevationM + (feature.bottomM + feature.topM) / 2;
  // A conduit that ends on another level rises at its last point.
  const corners = feature.points.map((p): Point3 => [p[0], p[1], z]);
  const last = corners[corners.length - 1];
  const topIndex = building.levels.indexOf(top);
  if (top !== level) {
    const room = roomAt(building, top.id, [last[0], last[1]]);
    corners.push([last[0], last[1], (room && cavityZ(building, room)) ?? top.elevationM + 0.3]);
  }
  const perM = cost === 'madeWay' ? weights.madeWay : 1 + weights[cost];
  let before = -1;
  const nodes: number[] = [];
  corners.forEach((at, k) => {
    const number = node(at, feature.id);
    nodes.push(number);
    const joint = `${medium}/${at.map((value) => Math.round(value / JOINT_M)).join()}`;
    const met = joints.get(joint);
    if (met === undefined) joints.set(joint, number);
    else arcs.add(met, number, 2, 0, 0, { points: [], media: [medium] });
    const isEnd = k === 0 || k === corners.length - 1;
    if (isEnd || open) {
      const on = top !== level && k === corners.length - 1 ? topIndex : levelIndex;
      for (const entry of entriesInto(building, weights, attach, on, at, medium)) join(arcs, number, entry);
      const wall = isEnd && nearestWall(building, building.levels[on].id, [at[0], at[1]], STUB_REACH_M, (one) => one.cableMayRun);
      if (wall) stub({ node: number, at, medium, wallId: wall.wall.id, offsetM: wall.offsetM });
      else if (isEnd && !open) mouth({ levelId: building.levels[on].id, node: number, at, medium });
    }
    if (before >= 0) {
      const was = corners[k - 1];
      const lengthM = Math.hypot(at[0] - was[0], at[1] - was[1], at[2] - was[2]);
      const axis: Axis = 2;
      arcs.add(before, number, axis, lengthM * perM, 0, { points: [], media: [medium] });
    }
    before = number;
  });
  if (feature.kind === 'surface-channel') channel({ levelId: level.id, corners, nodes });
}

/** How far outside a wall a pathway may lie that a cable leaves the house for, m. */
const OUTSIDE_REACH_M = 0.9;

/** From a point of a pathway into the spaces beside it; one outside goes through the wall first. */
function entriesInto(
  building: Building,
  weights: Weights,
  attach: PathwayContext['attach'],
  levelIndex: number,
  at: Point3,
  medium: Medium,
): readonly Entry[] {
  const p: Point2 = [at[0], at[1]];
  const level = building.levels[levelIndex];
  if (roomAt(building, level.id, p)) {
    // What comes out of the screed goes on in a wall, or ends there: never up through the room.
    if (medium === 'screed') return upInWall(building, attach, levelIndex, at, medium);
    const entries = attach(levelIndex, p, at[2], medium === 'conduit' ? 'conduit' : 'wall');
    return entries.length > 0 || medium !== 'surface' ? entries : intoWall(building, weights, attach, levelIndex, at, medium);
  }
  return throughWall(weights, attach, levelIndex, at, medium, nearestWall(building, level.id, p, OUTSIDE_REACH_M));
}

/** From a duct that comes up in a wall on to the cavity over it. */
function upInWall(
  building: Building,
  attach: PathwayContext['attach'],
  levelIndex: number,
  at: Point3,
  medium: Medium,
): readonly Entry[] {
  const level = building.levels[levelIndex];
  const place = nearestWall(building, level.id, [at[0], at[1]], STUB_REACH_M, (wall) => wall.cableMayRun);
  if (!place) return [];
  return attach(levelIndex, place.point, at[2], 'wall').map((entry) => ({
    ...entry,
    points: [at, ...entry.points],
    media: [medium, ...entry.media],
    work: entry.work + place.distanceM,
  }));
}

/** From a channel under concrete into the wall beside it, and up in that to the cavity on its other side. */
const intoWall = (
  building: Building,
  weights: Weights,
  attach: PathwayContext['attach'],
  levelIndex: number,
  at: Point3,
  medium: Medium,
) =>
  throughWall(
    weights,
    attach,
    levelIndex,
    at,
    medium,
    nearestWall(building, building.levels[levelIndex].id, [at[0], at[1]], STUB_REACH_M, (wall) => wall.cableMayRun),
  );

function throughWall(
  weights: Weights,
  attach: PathwayContext['attach'],
  levelIndex: number,
  at: Point3,
  medium: Medium,
  place: WallPlace | undefined,
): readonly Entry[] {
  if (!place) return [];
  const { wall, point, distanceM } = place;
  const through = isStone(wall) ? weights.masonryCoredM : isSolid(wall) ? weights.fireSeparationM : weights.boardCutM;
  return attach(levelIndex, point, at[2], 'wall').map((entry) => ({
    ...entry,
    points: [at, ...entry.points],
    media: [medium, ...entry.media],
    work: entry.work + distanceM,
    holes: entry.holes + through,
  }));
}
