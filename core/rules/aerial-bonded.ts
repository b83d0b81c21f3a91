import { addRuns, redirectRun } from '../devices/index.ts';
import { isKept, RUNS_BY_DEVICE } from '../runs/index.ts';
import type { Device, Operation, ProjectDocument, Run } from '../model/index.ts';
import { listOf, pickedFrom } from '../derive/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { besideRack, bondingBar, isBond, OF_TYPE, part } from './entry-protection.ts';

const MAST_TYPES: ReadonlySet<string> = new Set(['aerial', 'dish', 'uhf-antenna', 'fm-antenna']);
const MASTS = part('masts', ({ typeId }) => MAST_TYPES.has(typeId));

/** Masts and dishes are bonded, each with its own conductor to the bar, and the bar to the electrode of the building (ENGINEERING 5.5). */
export const aerialBonded = defineCheck({
  id: 'aerial-bonded',
  title: 'Antennas and dishes are bonded, each by its own conductor, on to the building electrode',
  source: 'NEC articles 810 and 820; EN 60728-11',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['cableTypes', 'deviceTypes'],
  nodes: [MASTS, OF_TYPE['bonding-bar'], OF_TYPE['building-electrode'], RUNS_BY_DEVICE],
  safety: true,
  run: ({ project, read }) => {
    const masts = pickedFrom(project, MASTS);
    if (masts.length === 0) return [];
    const bars = pickedFrom(project, OF_TYPE['bonding-bar']);
    const byDevice = read.get(RUNS_BY_DEVICE).byKey;
    const isBonded = (device: Device, to: readonly Device[]) =>
      (byDevice.get(device.id) ?? []).some((run) => isBond(project, run) && to.some(({ id }) => id === run.toDeviceId));
    const about = (device: Device) => ({ number: '', device: device.name || project.deviceTypes[device.typeId].name });
    if (bars.length === 0)
      return masts.map((device): RuleFinding =>
        say('stop', 'aerial-not-bonded', [{ in: 'devices', id: device.id }], about(device), {
          measured: 0,
          allowed: 1,
          cures: (house) => bondingBar(house, house),
        }),
      );
    const alone = masts.filter((device) => !isBonded(device, bars));
    const electrodes = pickedFrom(project, OF_TYPE['building-electrode']);
    const unearthed = barsWithoutElectrode(bars, electrodes, isBonded);
    return [
      ...alone.map((device): RuleFinding =>
        say('look', 'mast-own-bond', [{ in: 'devices', id: device.id }], about(device), {
          measured: 0,
          allowed: 1,
          cures: (house) => ownBond(house, device.id, 'bond_10'),
        }),
      ),
      ...unearthed.map((bar): RuleFinding =>
        say('look', 'bar-not-at-electrode', [{ in: 'devices', id: bar.id }], about(bar), {
          measured: 0,
          allowed: 1,
          cures: (house) => electrode(house, bar.id),
        }),
      ),
    ];
  },
});

/** Bars that no conductor leads on to the electrode, by themselves or over another bar. */
function barsWithoutElectrode(
  bars: readonly Device[],
  electrodes: readonly Device[],
  isBonded: (device: Device, to: readonly Device[]) => boolean,
): Device[] {
  const earthed = new Set<Device>();
  const joined = (a: Device, b: Device) => isBonded(a, [b]) || isBonded(b, [a]);
  let grown = true;
  while (grown) {
    grown = false;
    for (const bar of bars) {
      if (earthed.has(bar) || ![...electrodes, ...earthed].some((other) => joined(bar, other))) continue;
      earthed.add(bar);
      grown = true;
    }
  }
  return bars.filter((bar) => !earthed.has(bar));
}

/** The electrode of the building, connected to a bar: a new one beside the rack, or the one that is there. */
function electrode(project: ProjectDocument, barId: string): Cure[] {
  const there = listOf(project, 'devices').find(({ typeId }) => typeId === 'building-electrode');
  const led =
    there && listOf(project, 'runs').some((run) => run.deviceId === there.id && isBond(project, run) && run.toDeviceId !== null);
  if (there && led) return barToBar(project, barId, there);
  if (there) return ownBond(project, there.id, 'bond_6');
  if (!project.deviceTypes['building-electrode']) return [];
  const operations = besideRack(project, 'building-electrode', 0.6);
  return operations.length > 0 ? [{ code: 'add-electrode', figures: {}, operations }] : [];
}

/** A bonding conductor of a device to the nearest bar; one of its own that waits for a bar is led there. */
function ownBond(project: ProjectDocument, deviceId: string, cableTypeId: string): Cure[] {
  const device = project.devices[deviceId];
  if (!device || !project.cableTypes[cableTypeId]) return [];
  const bars = listOf(project, 'devices').filter(({ typeId }) => typeId === 'bonding-bar');
  const away = ({ x, y }: Device) => Math.hypot(x - device.x, y - device.y);
  const nearest = bars.toSorted((a, b) => away(a) - away(b) || (a.id < b.id ? -1 : 1))[0];
  if (!nearest) return [];
  const waiting = listOf(project, 'runs').find(
    (run) =>
      run.deviceId === deviceId && isBond(project, run) && run.toDeviceId === null && !isKept(run) && isToDevice(project, run),
  );
  const operations = waiting ? redirected(project, waiting, nearest) : added(project, device, nearest, cableTypeId);
  return operations.length > 0 ? [{ code: 'add-bond', figures: {}, operations }] : [];
}

/** A bar that is left over, bonded straight to the electrode. */
function barToBar(project: ProjectDocument, barId: string, there: Device): Cure[] {
  const bar = project.devices[barId];
  const operations = bar ? added(project, bar, there, 'bond_6') : [];
  return operations.length > 0 ? [{ code: 'add-bond', figures: {}, operations }] : [];
}

/** Whether its recipe leads a run to a device, and it goes home only because that was not there yet. */
const isToDevice = ({ devices, deviceTypes }: ProjectDocument, run: Run) =>
  run.recipeLeg !== null && deviceTypes[devices[run.deviceId].typeId].cables[run.recipeLeg - 1]?.to === 'device';

function redirected(project: ProjectDocument, run: Run, to: Device): readonly Operation[] {
  const result = redirectRun(project, run.id, { deviceId: to.id });
  return result.ok ? result.value : [];
}

function added(project: ProjectDocument, device: Device, to: Device, cableTypeId: string): readonly Operation[] {
  const id = `bd_${device.id}`.slice(0, 40);
  if (Object.hasOwn(project.runs, id)) return [];
  const result = addRuns(project, [device.id], { cableTypeId, to: { deviceId: to.id }, purpose: 'bonding' }, () => id);
  return result.ok ? result.value.operations : [];
}
