import { ceilingHeightAt, clearOutline } from '../house/index.ts';
import type { Point2 } from '../math/index.ts';
import type { ProjectDocument, Room } from '../model/index.ts';
import { fromMiddle, onPlan, type Picture, pictureOf, THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { moveTo } from './cures.ts';
import { inTheatres } from './theatre-subjects.ts';

const LIMITS = {
  sideM: { usual: 0.1, min: 0, max: 1, unit: 'm', safer: 'more' },
  floorM: { usual: 0.6, min: 0.3, max: 1.2, unit: 'm', safer: 'more' },
} as const;

/** The frame of a picture ends before the walls beside it and the ceiling, and begins high enough over the floor (ENGINEERING 9.2, 9.5). */
export const screenMargins = defineCheck({
  id: 'screen-margins',
  title: 'The picture fits its wall with a margin',
  source: 'Trade practice',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['levels', 'rooms', 'walls'],
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
      return found;
    }),
});

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
