import { atMost, POE_PLANNED_SHARE, recorderDisk } from '../calculators/index.ts';
import type { Equipment, SpeakerWiring } from '../model/index.ts';
import { otherEnd } from './flow.ts';
import type { HeadEndParts } from './parts.ts';
import type { RunNeed } from './needs.ts';
import { inputBehind, portAt, portKey, portsOf } from './ports.ts';
import { parallelOhm, type RunLoad } from './run-loads.ts';

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
function runAcross(equipmentId: string, port: string, parts: HeadEndParts): string | null {
  const over = otherEnd(parts, { equipmentId, port });
  return over ? (parts.runAt.get(portKey(over.equipmentId, over.port)) ?? null) : null;
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
  /** The channel: through a speaker block that of its amplifier. */
  readonly port: string;
  readonly runId: string;
  readonly loadOhm: number | null;
  /** Least load that it bears: twice that of its halves where it is bridged. */
  readonly leastOhm: number;
  /** Power into the load, W; on a line the sum of its taps. */
  readonly watts: number | null;
  /** The load is below the least, or a line has more taps than it may. */
  readonly isLow: boolean;
}

/** Eight tenths of an amplifier may be tapped on a line (ENGINEERING 2.2). */
const LINE_SHARE = 0.8;
/** Ratings are into 8 ohm; the voltage of a channel stays about the same into less. */
const RATED_OHM = 8;

/** The loads on all channels, with those behind speaker blocks. */
export function amplifierLoads(
  equipment: readonly Equipment[],
  parts: HeadEndParts,
  loads: ReadonlyMap<string, RunLoad>,
): AmplifierLoad[] {
  return equipment.flatMap((own): AmplifierLoad[] => {
    if (!own.amplifier) return [];
    return portsOf(own)
      .filter(({ group }) => group.kind === 'speaker')
      .flatMap(({ name }) => onChannel(own, own.amplifier!, name, parts, loads));
  });
}

function onChannel(
  own: Equipment,
  amplifier: NonNullable<Equipment['amplifier']>,
  port: string,
  parts: HeadEndParts,
  loads: ReadonlyMap<string, RunLoad>,
): AmplifierLoad[] {
  const runId = parts.runAt.get(portKey(own.id, port));
  if (runId !== undefined) {
    const need = parts.needByRun.get(runId);
    if (!need) return [];
    // What hangs on the speaker of a run is judged with its chain, unless it is a line.
    const loadOhm = amplifier.lineV === null ? need.impedanceOhm : (loads.get(runId)?.ohm ?? null);
    return [{ equipmentId: own.id, port, runId, ...judged(amplifier, loadOhm) }];
  }
  const to = otherEnd(parts, { equipmentId: own.id, port });
  const block = to && parts.equipmentById.get(to.equipmentId);
  if (!block || block.kind !== 'speaker-block') return [];
  const input = portAt(block, to.port);
  const runs = portsOf(block)
    .filter(({ group, n }) => group.name === 'speaker' && input && inputBehind(block, n) === input.name)
    .flatMap(({ name }) => parts.runAt.get(portKey(block.id, name)) ?? []);
  const ohms = runs.flatMap((id) => loads.get(id)?.ohm ?? []);
  const about = judged(amplifier, ohms.length === 0 ? null : blockOhm(ohms, block.wiring ?? 'parallel'));
  return runs.map((id) => ({
    equipmentId: own.id,
    port,
    runId: id,
    ...about,
    watts: about.watts === null ? null : about.watts / runs.length,
  }));
}

function judged({ wattsEach, leastOhm: least, lineV, isBridged }: NonNullable<Equipment['amplifier']>, loadOhm: number | null) {
  const leastOhm = isBridged ? 2 * least : least;
  if (loadOhm === null) return { loadOhm, leastOhm, watts: null, isLow: false };
  if (lineV !== null) {
    const watts = lineV ** 2 / loadOhm;
    return { loadOhm, leastOhm: lineV ** 2 / (LINE_SHARE * wattsEach), watts, isLow: !atMost(watts, LINE_SHARE * wattsEach) };
  }
  // Bridged, the voltage is that of both halves.
  const watts = (wattsEach * RATED_OHM * (isBridged ? 4 : 1)) / Math.max(loadOhm, leastOhm);
  return { loadOhm, leastOhm, watts, isLow: !atMost(leastOhm, loadOhm) };
}

/** The load of a block: all in parallel, all in series, or pairs in series that are in parallel (ENGINEERING 2.1). */
export function blockOhm(ohms: readonly number[], wiring: SpeakerWiring): number {
  if (wiring === 'parallel') return parallelOhm(ohms);
  if (wiring === 'series') return ohms.reduce((sum, ohm) => sum + ohm, 0);
  const strings: number[] = [];
  for (let n = 0; n < ohms.length; n += 2) strings.push(ohms[n] + (ohms[n + 1] ?? 0));
  return parallelOhm(strings);
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
