import { HEIGHT_KIND_OF, heightOf } from '../calculators/index.ts';
import { listOf } from '../derive/index.ts';
import { closestOnSegment, type Point2 } from '../math/index.ts';
import type { Device, DeviceType, ProjectDocument } from '../model/index.ts';
import { defineCheck, say } from './check.ts';
import { hangAt } from './cures.ts';

/** Controls and boxes stand at heights that hands and eyes expect (ENGINEERING 8.1). */
export const heightsUsual = defineCheck({
  id: 'heights-usual',
  title: 'Devices stand at usual heights',
  source: 'Trade practice; accessibility: ADA, UK Part M',
  calculators: ['device-height'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes', 'features', 'levels', 'project'],
  limits: { offM: { usual: 0.2, min: 0, max: 1, unit: 'm', safer: 'less' } },
  ofDevice: (device, { project, limit }) => {
    const kind = HEIGHT_KIND_OF[device.typeId];
    if (!kind || device.heightM === null) return [];
    const { leastM: minM, mostM } = heightOf(kind, project.project.jurisdiction);
    // Under eaves a camera hangs as high as the eaves are.
    const maxM = kind === 'outdoor-camera' && device.roomId === null ? Math.max(mostM, eavesAt(project, device)) : mostM;
    const offM = device.heightM < minM ? minM - device.heightM : device.heightM > maxM ? device.heightM - maxM : 0;
    if (offM <= limit('offM') * (1 + 1e-9)) return [];
    return [said(device, project.deviceTypes[device.typeId], device.heightM, minM, maxM, offM)];
  },
});

/** Height of the eaves over a place, m above its floor: as drawn near it, else the ceiling of its level. */
function eavesAt(project: ProjectDocument, { levelId, x, y }: Device): number {
  const level = project.levels[levelId];
  const drawn = listOf(project, 'features').filter(
    ({ kind, levelId: on, bottomM, points }) =>
      (kind === 'eaves' || kind === 'soffit-way') &&
      on === levelId &&
      bottomM > 0 &&
      points.some(
        (p, n) => closestOnSegment([x, y], p as Point2, points[(n + 1) % points.length] as Point2).distanceM < NEAR_EAVES_M,
      ),
  );
  return drawn.length > 0 ? Math.max(...drawn.map(({ bottomM }) => bottomM)) : level.ceilingHeightM;
}

/** Eaves that a camera hangs from are this near on the plan, m. */
const NEAR_EAVES_M = 1.5;

function said(device: Device, type: DeviceType, heightM: number, minM: number, maxM: number, offM: number) {
  const nearest = heightM < minM ? minM : maxM;
  return say(
    'look',
    'height-unusual',
    [{ in: 'devices', id: device.id }],
    { number: '', device: type.name, heightM, leastM: minM, mostM: maxM, offM },
    {
      measured: heightM,
      allowed: nearest,
      unit: 'm',
      cures: (house) => hangAt(house, device.id, nearest),
    },
  );
}
