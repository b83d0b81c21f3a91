import { moveDevices } from '../devices/index.ts';
import { type Point2, pointInPolygon, tidyM } from '../math/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { pictureOf, type Projection, THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
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
  const facing = (picture.facingDeg * Math.PI) / 180;
  const byM = throwM - toM;
  const to: Point2 = [tidyM(device.x + byM * Math.sin(facing)), tidyM(device.y + byM * Math.cos(facing))];
  if (!pointInPolygon(to, room.polygon as readonly Point2[])) return [];
  const operations = moveDevices(project, [{ deviceId, to }]);
  return operations.ok && operations.value.length > 0
    ? [{ code: 'move-to-place', figures: { shiftM: Math.abs(byM) }, operations: operations.value }]
    : [];
}
