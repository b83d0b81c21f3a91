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
  limits: { offM: { usual: 0.2, min: 0, max: 1, unit: 'm', safer: 'less' } },
  ofDevice: (device, { project, limit }) => {
    const kind = HEIGHT_KIND_OF[device.typeId];
    if (!kind || device.heightM === null) return [];
    const { leastM: minM, mostM: maxM } = heightOf(kind, project.project.jurisdiction);
    const offM = device.heightM < minM ? minM - device.heightM : device.heightM > maxM ? device.heightM - maxM : 0;
    if (offM <= limit('offM') * (1 + 1e-9)) return [];
    return [said(device, project.deviceTypes[device.typeId], device.heightM, minM, maxM, offM)];
  },
});

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
      cures: (house) => {
        const operation = house.devices[device.id] && update('devices', house.devices[device.id], { heightM: nearest });
        return operation ? [{ code: 'usual-height', figures: { toM: nearest }, operations: [operation] }] : [];
      },
    },
  );
}
