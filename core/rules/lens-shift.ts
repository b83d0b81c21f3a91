import { tidyM } from '../math/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { pictureOf, projectedWidthM, type Projection, shiftUsedOf, THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { hangAt } from './cures.ts';
import { inTheatres } from './theatre-subjects.ts';

/** A lens reaches its screen by shift alone, both directions together: keystone costs sharpness and light (ENGINEERING 9.4). */
export const lensShift = defineCheck({
  id: 'lens-shift',
  title: 'Lenses reach their screen by shift alone',
  source: 'Projector optics',
  calculators: ['throw-window', 'projector-offset'],
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['devices', 'deviceTypes', 'rooms'],
  nodes: [THEATRES],
  run: ({ project, read }) =>
    inTheatres(read, project, ({ projections }, room) =>
      projections.flatMap((one): RuleFinding[] => {
        if (one.throwFit === 'by-maker' || one.shiftUsed <= 1 + 1e-9) return [];
        return [
          say(
            'stop',
            'lens-shift-over',
            [{ in: 'devices', id: one.deviceId }],
            {
              number: room.code,
              upPercent: 100 * one.shiftUp,
              asidePercent: 100 * one.shiftAside,
              usedPercent: sharePercent(one),
            },
            { measured: sharePercent(one), allowed: 100, unit: '%', cures: (house) => lowered(house, room.id, one) },
          ),
        ];
      }),
    ),
});

/** A lens without any shift in a direction uses more of it than any figure says. */
const MOST_PERCENT = 999;
const sharePercent = ({ shiftUsed }: Projection): number => Math.min(MOST_PERCENT, 100 * shiftUsed);

/** Hangs a projector lower until the shift reaches. */
function lowered(project: ProjectDocument, roomId: string, { deviceId, lens: at, shiftAside, shiftUp }: Projection): Cure[] {
  const room = project.rooms[roomId];
  const device = project.devices[deviceId];
  const picture = room && pictureOf(project, room);
  const lens = device && project.deviceTypes[device.typeId].lens;
  if (!picture || !lens) return [];
  // The farthest up or down that is left beside the shift aside.
  let most = lens.shiftUp;
  while (most > 0 && shiftUsedOf(lens, most, shiftAside) > 1) most -= STEP;
  if (most <= 0) return [];
  const chipM = projectedWidthM(picture) * (9 / 16);
  const toM = tidyM(Math.round((picture.middle[2] + Math.sign(shiftUp) * most * chipM - Math.sign(shiftUp) * STEP) * 100) / 100);
  // It is not raised through a ceiling.
  if (toM < LEAST_M || toM > at[2]) return [];
  return hangAt(project, deviceId, toM);
}
const STEP = 0.005;
/** A projector hangs over heads, m. */
const LEAST_M = 1.9;
