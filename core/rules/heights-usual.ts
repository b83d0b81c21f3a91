import { HEIGHT_KIND_OF, heightOf } from '../calculators/index.ts';
import { type Device, type DeviceType, update } from '../model/index.ts';
import { defineCheck, say } from './check.ts';

/** Controls and boxes stand at heights that hands and eyes expect (ENGINEERING 8.1). */
export const heightsUsual = defineCheck({
  id: 'heights-usual',
  title: 'Devices stand at usual heights',
  source: 'Trade practice; accessibility: ADA, UK Part M',
  calculators: ['device-height'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes', 'project'],
  limits: { offM: { usual: 0.2, least: 0, most: 1, unit: 'm', safer: 'less' } },
  ofDevice: (device, { project, limit }) => {
    const kind = HEIGHT_KIND_OF[device.typeId];
    if (!kind || device.heightM === null) return [];
    const { leastM, mostM } = heightOf(kind, project.project.jurisdiction);
    const offM = device.heightM < leastM ? leastM - device.heightM : device.heightM > mostM ? device.heightM - mostM : 0;
    if (offM <= limit('offM') * (1 + 1e-9)) return [];
    return [said(device, project.deviceTypes[device.typeId], device.heightM, leastM, mostM, offM)];
  },
});

function said(device: Device, type: DeviceType, heightM: number, leastM: number, mostM: number, offM: number) {
  const nearest = heightM < leastM ? leastM : mostM;
  return say(
    'look',
    'height-unusual',
    [{ in: 'devices', id: device.id }],
    { number: '', device: type.name, heightM, leastM, mostM, offM },
    {
      measured: heightM,
      allowed: nearest,
      unit: 'm',
      cures: (house) => {
        const operation = house.devices[device.id] && update('devices', house.devices[device.id], { heightM: nearest });
        return operation ? [{ code: 'usual-height', figures: { toM: nearest }, operations: [operation] }] : [];
      },
    },
  );
}
