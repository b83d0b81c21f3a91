import { type Point2, pointInPolygon } from '../math/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { onPlan, pictureOf, type Projection, THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { moveTo } from './cures.ts';
import { inTheatres } from './theatre-subjects.ts';

/** A lens is neither too near to its screen nor too far from it (ENGINEERING 9.4). */
export const projectorThrow = defineCheck({
  id: 'projector-throw',
  title: 'Projectors fill their screen from where they hang',
  source: 'Projector optics; 5 % from both ends by trade practice',
  calculators: ['throw-window'],
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['devices', 'rooms'],
  nodes: [THEATRES],
  run: ({ project, read }) =>
    inTheatres(read, project, ({ projections }, room) =>
      projections.flatMap((one): RuleFinding[] => {
        const { deviceId, throwM, windowM, throwFit } = one;
        if (throwFit === 'inside') return [];
        const subjects = [{ in: 'devices' as const, id: deviceId }];
        if (windowM === null) return [say('look', 'throw-by-maker', subjects, { number: room.code, throwM })];
        const [leastM, mostM] = windowM;
        const isNear = throwM < (leastM + mostM) / 2;
        return [
          say(
            throwFit === 'outside' ? 'stop' : 'look',
            throwFit === 'near-end' ? 'throw-near-end' : isNear ? 'throw-too-short' : 'throw-too-long',
            subjects,
            { number: room.code, throwM, nearM: leastM, farM: mostM },
            { measured: throwM, allowed: isNear ? leastM : mostM, unit: 'm', cures: (house) => moved(house, room.id, one) },
          ),
        ];
      }),
    ),
});

/** Moves a projector along the middle line to the nearest place a tenth of the window from its end. */
function moved(project: ProjectDocument, roomId: string, { deviceId, throwM, windowM }: Projection): Cure[] {
  const room = project.rooms[roomId];
  const device = project.devices[deviceId];
  const picture = room && pictureOf(project, room);
  if (!device || !picture || !windowM) return [];
  const [leastM, mostM] = windowM;
  const endM = (mostM - leastM) / 10;
  const toM = throwM < (leastM + mostM) / 2 ? leastM + endM : mostM - endM;
  const byM = throwM - toM;
  const [dx, dy] = onPlan(picture.facingDeg, { asideM: 0, awayM: -byM });
  const to: Point2 = [device.x + dx, device.y + dy];
  return pointInPolygon(to, room.polygon as readonly Point2[]) ? moveTo(project, deviceId, to, Math.abs(byM)) : [];
}
