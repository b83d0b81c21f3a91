import { closestOnSegment, distance2, type Point2, pointInPolygon, rotate2 } from '../../math/index.ts';
import { buildingOf, roomAt } from '../building/index.ts';
import type { Feature, ProjectDocument } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';

export type SurveyKind = 'wall' | 'room' | 'opening' | 'feature' | 'rack' | 'riser' | 'dimension' | 'reference';
export interface SurveyHit {
  readonly kind: SurveyKind;
  readonly id: string;
}

/** The corners of a point thing on the plan, m; a round one as a square around it. */
export function featureBox(feature: Pick<Feature, 'points' | 'widthM' | 'depthM' | 'facingRad'>): Point2[] {
  const [[x, y]] = feature.points;
  const [w, d] = [feature.widthM / 2, (feature.depthM || feature.widthM) / 2];
  return [
    [-w, -d],
    [w, -d],
    [w, d],
    [-w, d],
  ].map(([u, v]): Point2 => {
    const [px, py] = rotate2([u, v], feature.facingRad);
    return [x + px, y + py];
  });
}

/** What lies at a point of a level, the smallest first; `reachM` is how near counts. `hidden` kinds are passed over. */
export function surveyHit(
  project: ProjectDocument,
  levelId: string,
  p: Point2,
  reachM: number,
  hidden: ReadonlySet<string> = new Set(),
): SurveyHit | null {
  const features = listOf(project, 'features').filter((f) => f.levelId === levelId && !hidden.has(f.kind));
  const onFeature = features
    .filter((f) => !f.area)
    .map((f) => ({ f, away: awayFrom(f, p) }))
    .filter(({ away }) => away <= reachM)
    .sort((a, b) => a.away - b.away || a.f.widthM - b.f.widthM)[0];
  if (onFeature && onFeature.f.widthM < 1.2) return { kind: 'feature', id: onFeature.f.id };
  for (const one of listOf(project, 'dimensions')) {
    if (one.levelId === levelId && closestOnSegment(p, one.a, one.b).distanceM <= reachM * 0.6)
      return { kind: 'dimension', id: one.id };
  }
  for (const point of listOf(project, 'referencePoints')) {
    if (point.levelId === levelId && distance2(p, [point.x, point.y]) <= reachM) return { kind: 'reference', id: point.id };
  }
  const building = buildingOf(project);
  const walls = (building.wallsByLevel[levelId] ?? [])
    .map((wall) => ({ wall, ...closestOnSegment(p, wall.a, wall.b) }))
    .filter(({ wall, distanceM }) => distanceM <= Math.max(reachM, wall.thicknessM / 2))
    .sort((a, b) => a.distanceM - b.distanceM);
  if (walls.length > 0) {
    const [{ wall, t }] = walls;
    const offsetM = t * distance2(wall.a, wall.b);
    const opening = (building.openingsByWall[wall.id] ?? []).find((o) => Math.abs(o.offsetM - offsetM) <= o.widthM / 2);
    return opening ? { kind: 'opening', id: opening.id } : { kind: 'wall', id: wall.id };
  }
  const inside = (x: number, y: number, w: number, d: number) => Math.abs(p[0] - x) <= w / 2 && Math.abs(p[1] - y) <= d / 2;
  const rack = building.racks.find((r) => r.levelId === levelId && inside(r.x, r.y, r.widthM, r.depthM));
  if (rack) return { kind: 'rack', id: rack.id };
  const riser = building.risers.find((r) => inside(r.x, r.y, r.widthM, r.depthM));
  if (riser) return { kind: 'riser', id: riser.id };
  if (onFeature) return { kind: 'feature', id: onFeature.f.id };
  const area = features.find(
    (f) => f.area && f.points.some((q, i) => closestOnSegment(p, q, f.points[(i + 1) % f.points.length]).distanceM <= reachM),
  );
  if (area) return { kind: 'feature', id: area.id };
  const room = roomAt(building, levelId, p);
  if (room) return { kind: 'room', id: room.id };
  const ground = features.find((f) => f.area && pointInPolygon(p, f.points, 0));
  return ground ? { kind: 'feature', id: ground.id } : null;
}

function awayFrom(feature: Feature, p: Point2): number {
  if (feature.points.length > 1) {
    const near = feature.points.slice(1).map((q, i) => closestOnSegment(p, feature.points[i], q).distanceM);
    return Math.max(0, Math.min(...near) - feature.widthM / 2);
  }
  const box = featureBox(feature);
  if (pointInPolygon(p, box, 0)) return 0;
  return Math.min(...box.map((q, i) => closestOnSegment(p, q, box[(i + 1) % 4]).distanceM));
}
