import type { CableType, ProjectDocument, Run } from '../model/index.ts';
import { wireResistance } from '../calculators/index.ts';
import { feedConductors, type FeedConductors, polesOf } from '../devices/index.ts';
import { defineCheck, say } from './check.ts';
import { exchange, thickerThan } from './cures.ts';

/** Every device that is fed by its cable has enough volts, on whatever copper and by the conductors that its map gives to the supply. */
export const voltageAtLoad = defineCheck({
  id: 'voltage-at-load',
  title: 'Devices fed by their cable get enough volts',
  source: 'Circuit theory; shares of 3 to 10 % by trade practice',
  calculators: ['dc-drop', 'dc-power', 'led-channels'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes', 'conductorMaps', 'deviceTypes', 'project'],
  limits: {
    share: { usual: 0.1, min: 0.02, max: 0.15, unit: '', safer: 'less' },
    ledShare: { usual: 0.03, min: 0.01, max: 0.05, unit: '', safer: 'less' },
  },
  ofRun: ({ run, device, length }, { project, limit }) => {
    const type = project.deviceTypes[device.typeId];
    const cable = project.cableTypes[run.cableTypeId];
    if (!length || run.toDeviceId !== null || type.dcV === null || type.dcW === null || type.poeClass !== null) return [];
    const feed = feedOf(project, run);
    if (!feed) return [];
    const allowed = feed.channels > 1 ? limit('ledShare') : limit('share');
    const share = shareLost(project, cable, feed, length.cutLengthM, type.dcW / type.dcV, type.dcV);
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
          ...voltsOf(share, allowed, type.dcV),
        },
        {
          measured: share,
          allowed,
          cures: (house) => {
            const better = thickerThan(house, cable).find((one) => {
              const lost = shareLost(house, one, feed, length.cutLengthM, type.dcW! / type.dcV!, type.dcV!);
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

/** The conductors of a run that feed its device; null where none do, or it is no copper. */
export function feedOf(project: ProjectDocument, run: Pick<Run, 'cableTypeId' | 'mapId'>): FeedConductors | null {
  const cable = project.cableTypes[run.cableTypeId];
  if (cable.gaugeAwg === null || cable.family === 'bond' || (cable.material !== 'copper' && cable.material !== 'cca'))
    return null;
  return feedConductors(run.mapId === null ? undefined : project.conductorMaps[run.mapId], cable);
}

/** What a finding says of a supply that loses a share. */
export const voltsOf = (share: number, allowed: number, supplyV: number) => ({
  percent: Math.round(share * 1000) / 10,
  most: `${Math.round(allowed * 1000) / 10} %`,
  volts: Math.max(0, Math.round(supplyV * (1 - share) * 10) / 10),
  supply: supplyV,
});

/** Share of the supply that a current loses on a run; null where its wire is not known. */
export function shareLost(
  { project: { ambientC } }: Pick<ProjectDocument, 'project'>,
  cable: CableType,
  feed: FeedConductors,
  lengthM: number,
  currentA: number,
  supplyV: number,
): number | null {
  const one = wireResistance({
    gaugeAwg: cable.gaugeAwg!,
    stranded: cable.stranded,
    material: cable.material === 'cca' ? 'cca' : 'copper',
    temperatureC: Math.max(-20, Math.min(90, ambientC)),
  });
  return one.ok ? (currentA * lengthM * (one.value.ohmPerKm / 1000) * polesOf(feed)) / supplyV : null;
}
