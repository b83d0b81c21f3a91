import { type Building, ceilingHeightOf, openingsOf, wallLength } from '../house/index.ts';
import { closestOnSegment, type Point2, type Point3, pointInPolygon } from '../math/index.ts';
import type { FeatureKind, Level, Medium } from '../model/index.ts';

/** A part of a route that lies in no wall, cavity or riser. */
export interface OpenAirSegment {
  readonly index: number;
  readonly at: Point3;
  readonly medium: Medium;
}

const SAMPLE_M = 0.05;
const TOLERANCE_M = 0.015;

/**
 * Judges a route by sampling it against the building alone, knowing nothing of how it was found.
 * Returns the first bad point of each segment that is not where its medium says; empty for a good route.
 */
export function openAirSegments(building: Building, points: readonly Point3[], media: readonly Medium[]): OpenAirSegment[] {
  const bad: OpenAirSegment[] = [];
  for (let k = 0; k + 1 < points.length; k++) {
    const [a, b] = [points[k], points[k + 1]];
    const lengthM = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    const steps = Math.max(1, Math.ceil(lengthM / SAMPLE_M));
    if (media[k] === 'cavity' && liesInSolid(building, a, b)) {
      bad.push({ index: k, at: a, medium: media[k] });
      continue;
    }
    for (let s = 0; s <= steps; s++) {
      const t = s / steps;
      const p: Point3 = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];
      if (TESTS[media[k]](building, p)) continue;
      bad.push({ index: k, at: p, medium: media[k] });
      break;
    }
  }
  return bad;
}

const TESTS: Readonly<Record<Medium, (building: Building, p: Point3) => boolean>> = {
  cavity: inCavity,
  ceiling: inCavity,
  floor: (building, p) => inCavity(building, p) || inCrawlSpace(building, p),
  wall: inWall,
  riser: inRiser,
  bulkhead: inBulkhead,
  crawl: inCrawlSpace,
  chase: (building, p) => alongFeature(building, p, ['chase', 'disused-chimney'], 0.01),
  conduit: (building, p) => alongFeature(building, p, ['conduit'], LEAD_IN_M),
  soffit: (building, p) => alongFeature(building, p, ['soffit-way'], LEAD_IN_M),
  outside: (building, p) => alongFeature(building, p, ['outside-wall-way'], LEAD_IN_M),
  underground: (building, p) => alongFeature(building, p, ['underground-way'], LEAD_IN_M),
  surface: (building, p) => alongFeature(building, p, ['surface-channel'], LEAD_IN_M),
  screed: (building, p) => alongFeature(building, p, ['screed-way'], LEAD_IN_M),
};

/** From a way outside through the wall beside it, m. */
const LEAD_IN_M = 0.95;

/** Cable lies no higher than this over a ceiling under an attic, m. */
const ATTIC_M = 0.4;

const plan = (p: Point3): Point2 => [p[0], p[1]];

/** Between a finished ceiling and the top of the structure above it; over a wall, the structure on either side counts. */
function inCavity(building: Building, p: Point3): boolean {
  return building.levels.some((level) =>
    (building.roomsByLevel[level.id] ?? []).some((room) => {
      if (room.framing === 'slab') return false;
      const bottom = level.elevationM + ceilingHeightOf(room, level);
      const attics = (building.featuresByLevel[level.id] ?? []).filter(({ kind }) => kind === 'attic');
      const inAttic = attics.some(({ points }) => pointInPolygon(plan(p), points as Point2[], 0.3));
      // Over a ceiling without a hollow of its own cable lies in the attic, on top of it.
      const hollow = room.framing === 'none' || level.cavityDepthM <= 0 ? (inAttic ? ATTIC_M : -1) : level.cavityDepthM;
      if (hollow < 0 || p[2] < bottom - 1e-6 || p[2] > bottom + hollow + 1e-6) return false;
      if (pointInPolygon(plan(p), room.polygon as Point2[], TOLERANCE_M)) return true;
      return overWallOf(building, level, p) && pointInPolygon(plan(p), room.polygon as Point2[], 0.6);
    }),
  );
}

function overWallOf(building: Building, level: Level, p: Point3): boolean {
  return (building.wallsByLevel[level.id] ?? []).some(
    (wall) => closestOnSegment(plan(p), wall.a, wall.b).distanceM <= wall.thicknessM / 2 + TOLERANCE_M,
  );
}

/** Inside the thickness of a wall that a cable may use, clear of its openings, from floor to the structure above. */
function inWall(building: Building, p: Point3): boolean {
  return building.levels.some((level) => {
    const heightM = p[2] - level.elevationM;
    const highest = Math.max(
      level.ceilingHeightM,
      ...(building.roomsByLevel[level.id] ?? []).map((room) => ceilingHeightOf(room, level)),
    );
    // A wall goes on through the floor under it, down to the ceiling below or to where cable hangs under the joists.
    const below = building.levels[building.levels.indexOf(level) - 1];
    const ceilings = below ? (building.roomsByLevel[below.id] ?? []).map((room) => ceilingHeightOf(room, below)) : [];
    const under = below ? level.elevationM - below.elevationM - Math.min(below.ceilingHeightM, ...ceilings) : 0;
    const crawl = (building.featuresByLevel[level.id] ?? []).filter(
      ({ kind }) => kind === 'crawl-space' || kind === 'basement-ceiling' || kind === 'screed-way' || kind === 'conduit',
    );
    const lowest = Math.max(under, 0, ...crawl.map(({ bottomM }) => -bottomM));
    if (heightM < -lowest - 1e-6 || heightM > highest + level.cavityDepthM + 1e-6) return false;
    return (building.wallsByLevel[level.id] ?? []).some((wall) => {
      if (!wall.cableMayRun) return false;
      const { t, distanceM } = closestOnSegment(plan(p), wall.a, wall.b);
      if (distanceM > wall.thicknessM / 2 + 1e-6) return false;
      const offsetM = t * wallLength(wall);
      return !openingsOf(building, wall).some(
        (o) => Math.abs(offsetM - o.offsetM) < o.widthM / 2 - 1e-6 && heightM > o.sillM + 1e-6 && heightM < o.headM - 1e-6,
      );
    });
  });
}

function inRiser(building: Building, p: Point3): boolean {
  return building.risers.some((riser) => {
    const [low, high] = [riser.bottomLevelId, riser.topLevelId]
      .map((id) => building.levelById[id])
      .sort((a, b) => a.elevationM - b.elevationM);
    const top =
      high.elevationM +
      high.cavityDepthM +
      Math.max(high.ceilingHeightM, ...(building.roomsByLevel[high.id] ?? []).map((r) => ceilingHeightOf(r, high)));
    const inside = Math.abs(p[0] - riser.x) <= riser.widthM / 2 + 1e-6 && Math.abs(p[1] - riser.y) <= riser.depthM / 2 + 1e-6;
    return inside && p[2] >= low.elevationM - 1e-6 && p[2] <= top + 1e-6;
  });
}

/** In the framed step between two ceilings of different height. */
function inBulkhead(building: Building, p: Point3): boolean {
  return building.levels.some((level) => {
    const beside = (building.roomsByLevel[level.id] ?? []).filter((room) =>
      pointInPolygon(plan(p), room.polygon as Point2[], TOLERANCE_M),
    );
    const heights = beside.map((room) => level.elevationM + ceilingHeightOf(room, level));
    return heights.length >= 2 && p[2] >= Math.min(...heights) - 1e-6 && p[2] <= Math.max(...heights) + level.cavityDepthM + 1e-6;
  });
}

/** Under the joists of a basement or crawl space. */
function inCrawlSpace(building: Building, p: Point3): boolean {
  return building.levels.some((level) =>
    (building.featuresByLevel[level.id] ?? []).some(
      (feature) =>
        (feature.kind === 'crawl-space' || feature.kind === 'basement-ceiling') &&
        p[2] >= level.elevationM + feature.bottomM - 1e-6 &&
        p[2] <= level.elevationM + 1e-6 &&
        pointInPolygon(plan(p), feature.points as Point2[], 0.3),
    ),
  );
}

/** Within a pathway, or on the short route from it into the wall beside it. */
function alongFeature(building: Building, p: Point3, kinds: readonly FeatureKind[], reachM: number): boolean {
  return building.levels.some((level) =>
    (building.featuresByLevel[level.id] ?? []).some((feature) => {
      if (!kinds.includes(feature.kind)) return false;
      const reach = Math.max(feature.widthM, feature.depthM) / 2 + reachM;
      const points = feature.points as Point2[];
      if (points.length === 1) return Math.hypot(p[0] - points[0][0], p[1] - points[0][1]) <= reach;
      return points.slice(1).some((b, k) => closestOnSegment(plan(p), points[k], b).distanceM <= reach);
    }),
  );
}

/** Whether a level piece begins and ends inside one wall of masonry, concrete or fire build, and is longer than that is thick. */
function liesInSolid(building: Building, a: Point3, b: Point3): boolean {
  return building.levels.some((level) =>
    (building.wallsByLevel[level.id] ?? []).some((wall) => {
      if (wall.kind !== 'masonry' && wall.kind !== 'concrete' && wall.kind !== 'fire') return false;
      const top = level.elevationM + level.ceilingHeightM + level.cavityDepthM;
      if (a[2] < level.elevationM || a[2] > top || Math.hypot(a[0] - b[0], a[1] - b[1]) <= wall.thicknessM) return false;
      return [a, b].every((p) => closestOnSegment(plan(p), wall.a, wall.b).distanceM < wall.thicknessM / 2 - 1e-6);
    }),
  );
}
