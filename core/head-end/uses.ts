import { atMost, POE_PLANNED_SHARE, recorderDisk } from '../calculators/index.ts';
import type { Equipment } from '../model/index.ts';
import type { HeadEndParts } from './head-end.ts';
import type { RunNeed } from './needs.ts';
import { portAt, portKey } from './ports.ts';

/** What a switch feeds over its cables, W. */
export interface PoeUse {
  readonly equipmentId: string;
  readonly needW: number;
  /** All it may feed, and the part that is planned with (ENGINEERING 3.2). */
  readonly budgetW: number;
  readonly plannedMostW: number;
  readonly ports: number;
  readonly portsUsed: number;
  /** Devices on ports whose class is too low for them. */
  readonly weakRunIds: readonly string[];
}

/** H.265 at 4 megapixels and 15 pictures a second (ENGINEERING 12). */
const CAMERA_MBPS = 4;
const WANTED_DAYS = 14;
const GB = 1000;

/** The run whose cord ends at a port of a switch; null where there is none. */
function runAcross(equipmentId: string, port: string, { patchAt, runAt }: HeadEndParts): string | null {
  const patch = patchAt.get(portKey(equipmentId, port));
  if (!patch) return null;
  const isFrom = patch.equipmentId === equipmentId && patch.port === port;
  return runAt.get(isFrom ? portKey(patch.toEquipmentId, patch.toPort) : portKey(patch.equipmentId, patch.port)) ?? null;
}

export function poeUses(equipment: readonly Equipment[], parts: HeadEndParts): PoeUse[] {
  const switches = equipment.filter(({ kind }) => kind === 'switch');
  if (switches.length === 0) return [];
  return switches.map((one) => {
    const groups = one.ports.filter(({ kind }) => kind === 'data');
    const on = groups.flatMap(({ name, count, poeClass }) =>
      Array.from({ length: count }, (_, k) => ({ port: `${name} ${k + 1}`, poeClass })),
    );
    const fed = on.flatMap(({ port, poeClass }) => {
      const runId = runAcross(one.id, port, parts);
      const need = runId === null ? undefined : parts.needByRun.get(runId);
      return need ? [{ need, poeClass }] : [];
    });
    const budgetW = one.poeW ?? 0;
    return {
      equipmentId: one.id,
      needW: fed.reduce((sum, { need }) => sum + need.poeW, 0),
      budgetW,
      plannedMostW: POE_PLANNED_SHARE * budgetW,
      ports: on.length,
      portsUsed: on.filter(({ port }) => parts.patchAt.has(portKey(one.id, port))).length,
      weakRunIds: fed
        .filter(({ need, poeClass }) => need.poeClass !== null && (poeClass === null || poeClass < need.poeClass))
        .map(({ need }) => need.runId),
    };
  });
}

/** Cameras and door stations, the channels for them, and for how many days their pictures are kept. */
export interface RecorderUse {
  readonly cameras: number;
  readonly channels: number;
  readonly mbps: number;
  readonly mostMbps: number;
  readonly days: number | null;
}

export function recorderUse(equipment: readonly Equipment[], needs: readonly RunNeed[]): RecorderUse | null {
  const cameras = needs.filter(({ isRecorded }) => isRecorded).length;
  const recorders = equipment.flatMap(({ recorder }) => recorder ?? []);
  if (cameras === 0 && recorders.length === 0) return null;
  const sum = (of: (one: (typeof recorders)[number]) => number) => recorders.reduce((total, one) => total + of(one), 0);
  const mbps = cameras * CAMERA_MBPS;
  const diskGb = GB * sum(({ diskTb }) => diskTb);
  const kept =
    cameras === 0 || diskGb === 0
      ? null
      : recorderDisk.run({ cameras, mbps: CAMERA_MBPS, duty: 1, wantedDays: WANTED_DAYS, diskGb, mostMbps: null });
  return {
    ...{ cameras, mbps },
    channels: sum(({ channels }) => channels),
    mostMbps: sum(({ mostMbps }) => mostMbps),
    days: kept?.ok ? kept.value.days : null,
  };
}

/** What hangs on a channel of an amplifier. */
export interface AmplifierLoad {
  readonly equipmentId: string;
  readonly port: string;
  readonly runId: string;
  readonly loadOhm: number | null;
  readonly leastOhm: number;
  readonly isLow: boolean;
}

export function amplifierLoads(equipment: readonly Equipment[], { terminationsOn, needByRun }: HeadEndParts): AmplifierLoad[] {
  return equipment.flatMap((own) => {
    const { amplifier } = own;
    if (!amplifier) return [];
    return (terminationsOn.get(own.id) ?? []).flatMap(({ equipmentId, port, runId }) => {
      const need = needByRun.get(runId);
      if (portAt(own, port)?.group.kind !== 'speaker' || !need) return [];
      const { leastOhm, lineV } = amplifier;
      const loadOhm = need.impedanceOhm;
      const isLow = lineV === null && loadOhm !== null && !atMost(leastOhm, loadOhm);
      return [{ equipmentId, port, runId, loadOhm, leastOhm, isLow }];
    });
  });
}

/** What a supply feeds, output by output. */
export interface SupplyUse {
  readonly equipmentId: string;
  readonly outputs: number;
  readonly used: number;
  readonly volts: number;
  readonly wattsEach: number;
  readonly fuseA: number | null;
  readonly feeds: readonly { readonly port: string; readonly runId: string; readonly watts: number; readonly isOver: boolean }[];
}

export function supplyUses(equipment: readonly Equipment[], { terminationsOn, needByRun }: HeadEndParts): SupplyUse[] {
  return equipment.flatMap(({ id, supply }) => {
    if (!supply) return [];
    const feeds = (terminationsOn.get(id) ?? []).map(({ port, runId }) => {
      const need = needByRun.get(runId);
      const watts = need ? need.dcW / need.ports : 0;
      return { port, runId, watts, isOver: !atMost(watts, supply.wattsEach) };
    });
    return [{ equipmentId: id, ...supply, used: feeds.length, feeds }];
  });
}
