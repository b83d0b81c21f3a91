import { type Point2, pointInPolygon } from '../math/index.ts';
import { onLevel } from '../derive/index.ts';
import { defineCheck, say } from './check.ts';

/** Nothing electrical stands within a bath or shower zone but by code (ENGINEERING 8.3, caution C20). */
export const wetZonesClear = defineCheck({
  id: 'wet-zones-clear',
  title: 'No device stands in a wet zone unless code allows it',
  source: 'Local code: zones, RCD and IP rating by code',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes', 'features'],
  safety: true,
  ofDevice: (device, { project }) => {
    const zone = onLevel(project, 'features', device.levelId).find(
      ({ kind, points, bottomM, topM }) =>
        kind === 'wet-zone' &&
        points.length >= 3 &&
        (device.heightM === null || topM <= bottomM || (device.heightM >= bottomM - 1e-9 && device.heightM <= topM + 1e-9)) &&
        pointInPolygon([device.x, device.y], points as Point2[]),
    );
    if (!zone) return [];
    return [
      say(
        'stop',
        'device-in-wet-zone',
        [
          { in: 'devices', id: device.id },
          { in: 'features', id: zone.id },
        ],
        { number: '', device: project.deviceTypes[device.typeId].name, zone: zone.name || 'the wet zone' },
      ),
    ];
  },
});
