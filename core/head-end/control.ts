import { derivationsOf, listOf } from '../derive/index.ts';
import type { Device, DeviceType, ProjectDocument, Run, Scene } from '../model/index.ts';
import { plannedRun, runsByDevice } from '../runs/index.ts';
import { HEAD_END_PARTS, type HeadEndParts } from './parts.ts';

/** How a device is told what to do. */
export type ControlBy = 'bus' | 'contact' | 'network' | 'infrared' | 'serial' | 'trigger' | 'sensor' | 'radio' | 'none';

/** The path of the commands of one device: over which cable to which port. */
export interface ControlPath {
  readonly deviceId: string;
  readonly by: ControlBy;
  readonly runId: string | null;
  readonly number: string;
  readonly equipmentId: string | null;
  readonly port: string | null;
  /** The cable is there and ends on a port of what gives the commands; radio needs none. */
  readonly isWhole: boolean;
}

/** A bus line of a controller with what hangs on it. */
export interface BusUse {
  readonly equipmentId: string;
  readonly devices: number;
  readonly mostDevices: number;
  readonly lengthM: number;
  readonly mostLengthM: number;
  readonly isOver: boolean;
}

/** Planning limits of a bus line of keypads: devices and cable in all, m; its maker's figures outrank them. */
const BUS_DEVICES = 32;
const BUS_LENGTH_M = 1000;

const SYSTEMS: ReadonlySet<string> = new Set(['control', 'shade', 'light', 'picture', 'guard']);
/** Of pictures and guard, what is told to do something. */
const TOLD = /display|projector|screen|lift|lock|door-station|gate|siren|chime/;
const NEVER = /mount-|bracket|ring-|equipment-place|connection-box|fixed-screen|alarm|camera|contact|motion|glass|leak/;

export const isControlled = ({ id, part, system, link }: DeviceType): boolean =>
  part === 'device' &&
  SYSTEMS.has(system) &&
  !NEVER.test(id) &&
  (system === 'picture' || system === 'guard' ? TOLD.test(id) : link !== 'mains-only');

/** By what a run carries commands, from the best on; null where it carries none. */
function byOf(project: ProjectDocument, run: Run, type: DeviceType): ControlBy | null {
  const { family } = project.cableTypes[run.cableTypeId];
  const leg = type.cables[run.leg - 1];
  const words = `${leg?.purpose ?? ''} ${leg?.mapId ?? ''}`;
  if (/infrared/i.test(words)) return 'infrared';
  if (/serial/i.test(words)) return 'serial';
  if (/trigger/i.test(words)) return 'trigger';
  if (family === 'cat') return /extender|picture/i.test(words) ? null : 'network';
  if (/sensor|door contact/i.test(words)) return 'sensor';
  if (family === 'shade' || /bus|supply and bus/i.test(words)) return 'bus';
  if (family.startsWith('ctl') || family.startsWith('sec') || family === 'led')
    return /relay|contact|lock|control|siren|ring/i.test(words) ? 'contact' : family === 'led' ? null : 'bus';
  return null;
}

const RANK: readonly ControlBy[] = ['network', 'bus', 'contact', 'serial', 'trigger', 'infrared', 'sensor'];

/** The path of commands of every device that is told what to do. */
export function controlPathsOf(project: ProjectDocument): ControlPath[] {
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  const byDevice = runsByDevice(project);
  return listOf(project, 'devices')
    .filter(({ fitting, typeId }) => fitting !== 'spare' && isControlled(project.deviceTypes[typeId]))
    .map((device) => controlPathOf(project, parts, device, byDevice.get(device.id) ?? []));
}

function controlPathOf(project: ProjectDocument, parts: HeadEndParts, device: Device, runs: readonly Run[]): ControlPath {
  const type = project.deviceTypes[device.typeId];
  const nothing = { deviceId: device.id, runId: null, number: '', equipmentId: null, port: null };
  const ways = runs
    .flatMap((run) => {
      const by = byOf(project, run, type);
      return by ? [{ run, by }] : [];
    })
    .sort((a, b) => RANK.indexOf(a.by) - RANK.indexOf(b.by));
  if (ways.length === 0) {
    const isRadio = type.link === 'mains-radio' || type.link === 'battery-radio';
    return { ...nothing, by: isRadio ? 'radio' : 'none', isWhole: isRadio };
  }
  const ended = ways.find(({ run }) => parts.terminationOfRun.has(run.id) || run.toDeviceId !== null) ?? ways[0];
  const { run, by } = ended;
  const own = parts.terminationOfRun.get(run.id);
  return {
    ...{ deviceId: device.id, by, runId: run.id, number: run.number },
    ...{ equipmentId: own?.equipmentId ?? null, port: own?.port ?? null },
    isWhole: own !== undefined || run.toDeviceId !== null,
  };
}

/** Bus lines of controllers, by the devices and the cable on them. */
export function busUses(project: ProjectDocument): BusUse[] {
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  return parts.equipment
    .filter(({ ports }) => ports.some(({ kind }) => kind === 'bus'))
    .flatMap(({ id }) => {
      const runs = (parts.terminationsOn.get(id) ?? []).filter(({ runId }) => parts.needByRun.get(runId)?.kind === 'bus');
      if (runs.length === 0) return [];
      const lengthM = runs.reduce((sum, { runId }) => sum + (plannedRun(project, runId).length?.cutLengthM ?? 0), 0);
      const isOver = runs.length > BUS_DEVICES || lengthM > BUS_LENGTH_M;
      return [{ equipmentId: id, devices: runs.length, mostDevices: BUS_DEVICES, lengthM, mostLengthM: BUS_LENGTH_M, isOver }];
    });
}

/** Why a scene cannot do what it says. */
export interface SceneLack {
  readonly sceneId: string;
  readonly reason: 'no-trigger' | 'gone' | 'no-path' | 'empty';
  readonly deviceId: string | null;
}

/** Triggers that start at a device. */
const AT_DEVICE: ReadonlySet<Scene['trigger']> = new Set(['button', 'sensor']);

/** Scenes with a trigger or an action that no command reaches. */
export function sceneLacks(project: ProjectDocument, paths: readonly ControlPath[] = controlPathsOf(project)): SceneLack[] {
  const pathOf = new Map(paths.map((one) => [one.deviceId, one]));
  return listOf(project, 'scenes').flatMap((scene): SceneLack[] => {
    const lack = (reason: SceneLack['reason'], deviceId: string | null = null) => ({ sceneId: scene.id, reason, deviceId });
    const isOut = (deviceId: string) => pathOf.get(deviceId)?.isWhole !== true;
    const trigger = !AT_DEVICE.has(scene.trigger)
      ? []
      : scene.deviceId === null
        ? [lack('no-trigger')]
        : isOut(scene.deviceId)
          ? [lack('no-path', scene.deviceId)]
          : [];
    if (scene.actions.length === 0) return [...trigger, lack('empty')];
    const acts = scene.actions.flatMap(({ deviceId }) =>
      !project.devices[deviceId] ? [lack('gone', deviceId)] : isOut(deviceId) ? [lack('no-path', deviceId)] : [],
    );
    return [...trigger, ...acts];
  });
}

/** What must start first after the mains were off, and what is watched from afar: network, then control, then the rest. */
export function restartOrder({
  equipment,
}: Pick<HeadEndParts, 'equipment'>): { readonly step: number; readonly names: readonly string[] }[] {
  const steps = [...new Set(equipment.filter(({ isMains }) => isMains).map(({ startOrder }) => startOrder))].sort(
    (a, b) => a - b,
  );
  return steps.map((step) => ({
    step,
    names: equipment.filter((one) => one.isMains && one.startOrder === step).map(({ name }) => name),
  }));
}

/** What is watched from afar: equipment that answers on the network, and whether the client may restart it by its outlet. */
export function watchList({
  equipment,
}: Pick<HeadEndParts, 'equipment'>): { readonly id: string; readonly name: string; readonly mayRestart: boolean }[] {
  return equipment
    .filter(({ ports, kind }) => kind !== 'patch-panel' && ports.some((group) => group.kind === 'data' || group.kind === 'wan'))
    .map(({ id, name, mayRestart }) => ({ id, name, mayRestart }));
}
