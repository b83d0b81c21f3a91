import { ceilingHeightAt, clearOutline } from '../house/index.ts';
import { onLevel } from '../derive/index.ts';
import { type Point2, pointInPolygon } from '../math/index.ts';
import type { Feature, FeatureKind, ProjectDocument, Room } from '../model/index.ts';
import { footprintsOf, fromMiddle, onPlan, type Picture, pictureOf, THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { moveTo } from './cures.ts';
import { inTheatres } from './theatre-subjects.ts';

const LIMITS = {
  sideM: { usual: 0.1, min: 0, max: 1, unit: 'm', safer: 'more' },
  floorM: { usual: 0.6, min: 0.3, max: 1.2, unit: 'm', safer: 'more' },
  furnitureM: { usual: 0.05, min: 0, max: 0.5, unit: 'm', safer: 'more' },
} as const;

/** The frame of a picture ends before the walls beside it and the ceiling, and begins high enough over the floor (ENGINEERING 9.2, 9.5). */
export const screenMargins = defineCheck({
  id: 'screen-margins',
  title: 'The picture fits its wall with a margin',
  source: 'Trade practice',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['features', 'levels', 'rooms', 'walls'],
  nodes: [THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, ({ picture }, room): RuleFinding[] => {
      if (!picture) return [];
      const subjects = [{ in: 'devices' as const, id: picture.deviceId }];
      const { leftM, rightM, topM, bottomM } = marginsOf(project, room, picture);
      const found: RuleFinding[] = [];
      const wallM = leftM + rightM + picture.frameM[0];
      const about = { number: room.code, frameM: picture.frameM[0], wallM };
      if (picture.frameM[0] > wallM + 1e-9)
        found.push(
          say('stop', 'screen-wider-than-wall', subjects, about, { measured: picture.frameM[0], allowed: wallM, unit: 'm' }),
        );
      else if (Math.min(leftM, rightM) < limit('sideM') - 1e-9) {
        const sideM = Math.min(leftM, rightM);
        found.push(
          say(
            sideM < 0 ? 'stop' : 'look',
            'screen-side-margin',
            subjects,
            { ...about, sideM, leastM: limit('sideM') },
            {
              ...{ measured: sideM, allowed: limit('sideM'), unit: 'm' },
              cures: (house) => centered(house, room.id, picture.deviceId),
            },
          ),
        );
      }
      if (topM < -1e-9)
        found.push(
          say('stop', 'screen-over-ceiling', subjects, { ...about, overM: -topM }, { measured: -topM, allowed: 0, unit: 'm' }),
        );
      if (picture.kind === 'screen' && bottomM < limit('floorM') - 1e-9)
        found.push(
          say(
            'look',
            'screen-low',
            subjects,
            { ...about, bottomM, leastM: limit('floorM') },
            {
              ...{ measured: bottomM, allowed: limit('floorM'), unit: 'm' },
            },
          ),
        );
      for (const { id, kind, topM } of furnitureBefore(project, room, picture)) {
        const overM = picture.middle[2] - picture.heightM / 2 - topM;
        if (overM >= limit('furnitureM') - 1e-9) continue;
        found.push(
          say(
            'look',
            'screen-behind-furniture',
            [...subjects, { in: 'features', id }],
            { ...about, thing: kind, overM: Math.max(0, -overM), clearM: Math.max(0, overM), leastM: limit('furnitureM') },
            { measured: overM, allowed: limit('furnitureM'), unit: 'm' },
          ),
        );
      }
      return found;
    }),
});

const STANDING: ReadonlySet<FeatureKind> = new Set(['cabinet', 'desk', 'table', 'island', 'fireplace', 'other-furniture']);
/** What stands nearer than this to a picture stands at its wall, m. */
const AT_PICTURE_M = 0.7;

/** Furniture that stands under a picture, against its wall. */
function furnitureBefore(project: ProjectDocument, room: Room, { middle, facingDeg, frameM }: Picture): Feature[] {
  const from = fromMiddle(middle, facingDeg);
  return onLevel(project, 'features', room.levelId).filter((feature) => {
    if (!STANDING.has(feature.kind) || !feature.chosen) return false;
    if (!pointInPolygon(feature.points[0] as Point2, room.polygon as readonly Point2[])) return false;
    const corners = footprintsOf(feature).flat().map(from);
    const asides = corners.map(({ asideM }) => asideM);
    const nearest = Math.min(...corners.map(({ aheadM }) => Math.abs(aheadM)));
    return nearest < AT_PICTURE_M && Math.min(...asides) < frameM[0] / 2 && Math.max(...asides) > -frameM[0] / 2;
  });
}

/** Free beside the frame to the walls, above it to the ceiling, and under the picture to the floor, m. */
function marginsOf(project: ProjectDocument, room: Room, { middle, facingDeg, frameM, heightM }: Picture) {
  const polygon = clearOutline(project, room);
  const from = fromMiddle(middle, facingDeg);
  const [left, right] = sidesAt(polygon, from, -0.3);
  const level = project.levels[room.levelId];
  const ceilings = [-1, 1].map((side) => {
    const [dx, dy] = onPlan(facingDeg, { asideM: (side * frameM[0]) / 2, awayM: 0 });
    return ceilingHeightAt(room, level, [middle[0] + dx, middle[1] + dy]);
  });
  return {
    leftM: -left - frameM[0] / 2,
    rightM: right - frameM[0] / 2,
    topM: Math.min(...ceilings) - middle[2] - frameM[1] / 2,
    bottomM: middle[2] - heightM / 2 - room.floorM,
  };
}

/** Where the walls stand to the left and right of the middle line, on a line across the room so far before the picture, m aside. */
function sidesAt(polygon: readonly Point2[], from: ReturnType<typeof fromMiddle>, aheadM: number): [number, number] {
  const crossings = polygon.flatMap((p, i) => {
    const [a, b] = [from(p), from(polygon[(i + 1) % polygon.length])];
    if (a.aheadM > aheadM === b.aheadM > aheadM) return [];
    const share = (aheadM - a.aheadM) / (b.aheadM - a.aheadM);
    return [a.asideM + (b.asideM - a.asideM) * share];
  });
  const [lefts, rights] = [crossings.filter((one) => one <= 0), crossings.filter((one) => one > 0)];
  return [lefts.length > 0 ? Math.max(...lefts) : 0, rights.length > 0 ? Math.min(...rights) : 0];
}

/** Moves the picture to the middle between its walls. */
function centered(project: ProjectDocument, roomId: string, deviceId: string): Cure[] {
  const room = project.rooms[roomId];
  const device = project.devices[deviceId];
  const picture = room && pictureOf(project, room);
  if (!device || picture?.deviceId !== deviceId) return [];
  const { leftM, rightM } = marginsOf(project, room, picture);
  const shift = (rightM - leftM) / 2;
  const [dx, dy] = onPlan(picture.facingDeg, { asideM: shift, awayM: 0 });
  return moveTo(project, deviceId, [device.x + dx, device.y + dy], Math.abs(shift));
}
