import type { CableType, DeviceType, ProjectDocument } from '../model/index.ts';
import { dcFeed, type FeedLoad, wireResistance } from '../calculators/index.ts';
import { defineCheck, say } from './check.ts';
import { exchange, thickerThan } from './cures.ts';

/** Families that carry the supply of their device. */
const FEEDS = /^(ctl|sec|led|shade|cat)/;

/** Every device that is fed by its cable has enough volts. */
export const voltageAtLoad = defineCheck({
  id: 'voltage-at-load',
  title: 'Devices fed by their cable get enough volts',
  source: 'Circuit theory; shares of 3 to 10 % by trade practice',
  calculators: ['dc-drop', 'dc-power', 'led-channels'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes', 'deviceTypes', 'project'],
  limits: {
    share: { usual: 0.1, min: 0.02, max: 0.15, unit: '', safer: 'less' },
    ledShare: { usual: 0.03, min: 0.01, max: 0.05, unit: '', safer: 'less' },
  },
  ofRun: ({ run, device, length }, { project, limit }) => {
    const type = project.deviceTypes[device.typeId];
    const cable = project.cableTypes[run.cableTypeId];
    if (!length || run.toDeviceId !== null || type.dcV === null || type.dcW === null || type.poeClass !== null) return [];
    if (!FEEDS.test(cable.family) || cable.gaugeAwg === null || cable.material === 'fibre') return [];
    const allowed = cable.family === 'led' ? limit('ledShare') : limit('share');
    const share = shareLost(project, type, cable, length.cutLengthM);
    if (share === null || share <= allowed * (1 + 1e-9)) return [];
    return [
      say(
        'stop',
        'voltage-low',
        [
          { in: 'runs', id: run.id },
          { in: 'devices', id: device.id },
        ],
        {
          number: run.number,
          device: type.name,
          cable: cable.name,
          lengthM: length.cutLengthM,
          percent: Math.round(share * 1000) / 10,
          most: `${Math.round(allowed * 1000) / 10} %`,
          volts: Math.round(type.dcV * (1 - share) * 10) / 10,
          supply: type.dcV,
        },
        {
          measured: share,
          allowed,
          cures: (house) => {
            const better = thickerThan(house, cable).find((one) => {
              const lost = shareLost(house, type, one, length.cutLengthM);
              return one.conductors >= cable.conductors && lost !== null && lost <= allowed;
            });
            const operations = exchange(house, run.id, better);
            return better && operations.length > 0 ? [{ code: 'use-cable', figures: { name: better.name }, operations }] : [];
          },
        },
      ),
    ];
  },
});

/** Share of the supply that a feed loses: strips over their common and a channel, category cable with a pair for each pole. */
function shareLost(project: ProjectDocument, { dcV, dcW }: DeviceType, cable: CableType, lengthM: number): number | null {
  const wire = {
    gaugeAwg: cable.gaugeAwg!,
    stranded: cable.stranded,
    material: cable.material === 'cca' ? ('cca' as const) : ('copper' as const),
    temperatureC: Math.max(-20, Math.min(90, project.project.ambientC)),
  };
  const currentA = dcW! / dcV!;
  if (cable.family === 'led' && cable.conductors >= 4) {
    const one = wireResistance(wire);
    if (!one.ok) return null;
    // Two conductors are bonded for the common; all others carry a channel each.
    const channels = cable.conductors - 2;
    const ohm = (one.value.ohmPerKm / 1000) * lengthM;
    return ((currentA / channels) * ohm + (currentA * ohm) / 2) / dcV!;
  }
  const conductorsPerPole = cable.family === 'cat' ? 2 : 1;
  const load: FeedLoad = 'other';
  const feed = dcFeed(
    { ...wire, supplyV: dcV!, lengthM, conductorsPerPole, load, allowedFraction: null, use: 'power' },
    currentA,
  );
  return feed.ok ? feed.value.dropFraction : 1;
}
