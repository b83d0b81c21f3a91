import { buildingOf } from '../../house/index.ts';
import { err, ok, type Outcome, type Point2 } from '../../math/index.ts';
import {
  create,
  type Device,
  newDevice,
  type Operation,
  type ProjectDocument,
  removeWithDependants,
  type Run,
  update,
} from '../../model/index.ts';
import { listOf, withRecords } from '../../derive/index.ts';
import { bundleFor, firstFreeNumber, isKept, runNumberFor, runsByDevice, spendNumber } from '../../runs/index.ts';
import { platesFollowing } from './plate-mates.ts';
import { plannedLegs } from './data-drops.ts';
import { runsFor } from './recipe.ts';
import { snapDevice } from './snap.ts';

/** Ids come in from outside: one for the device and one for each of its runs. */
export interface NewIds {
  readonly device: string;
  readonly run: (leg: number) => string;
}

/**
 * Puts a device of a type on a level, numbers it, and gives it the runs of its cable recipe, home to the nearest rack.
 * `holder` is one who works without a connection, with device numbers taken along; `legs` are those of the recipe that it gets where
 * they are not the usual ones, counted from 1. Problems: `type-missing`, `level-missing`.
 */
export function placeDevice(
  project: ProjectDocument,
  wanted: { typeId: string; levelId: string; at: Point2; facingRad?: number; holder?: string; legs?: readonly number[] },
  ids: NewIds,
): Outcome<{ device: Device; runs: Run[]; operations: Operation[] }> {
  const type = project.deviceTypes[wanted.typeId];
  if (!type) return err('type-missing', { kind: 'invalid', field: 'typeId' });
  if (!project.levels[wanted.levelId]) return err('level-missing', { kind: 'invalid', field: 'levelId' });
  const snapped = snapDevice(buildingOf(project), wanted.levelId, type, wanted.at);
  const place = { levelId: wanted.levelId, roomId: snapped.roomId };
  const placed = newDevice({
    id: ids.device,
    typeId: type.id,
    ...place,
    number: firstFreeNumber(project, { ...place, typeId: type.id }, type.cables.length, wanted.holder),
    x: snapped.x,
    y: snapped.y,
    heightM: type.defaultHeightM,
    facingRad: snapped.facingRad ?? wanted.facingRad ?? -Math.PI / 2,
  });
  const legs = wanted.legs?.flatMap((number) => (type.cables[number - 1] ? [{ leg: type.cables[number - 1], number }] : []));
  const planned = legs ? { legs, leftOut: [] } : plannedLegs(project, type, place);
  const device: Device = planned.leftOut.length > 0 ? { ...placed, leftOut: [...planned.leftOut] } : placed;
  const runs = runsFor(project, device, planned.legs, ids.run);
  return ok({ device, runs, operations: [create('devices', device), ...runs.map((run) => create('runs', run))] });
}

export interface DeviceMove {
  readonly deviceId: string;
  readonly to: Point2;
  /** Above finished floor, m; left out, the device keeps its height. */
  readonly heightM?: number;
}

/**
 * Moves devices. One that comes into another room takes a number there, and its drafted runs follow;
 * runs already issued keep theirs. A plate goes with its devices where they all move alike. Problems: `record-gone`.
 */
export function moveDevices(project: ProjectDocument, moves: readonly DeviceMove[]): Outcome<Operation[]> {
  const operations: (Operation | null)[] = [];
  const moved = new Map<string, Device>();
  let working = project;
  for (const move of moves) {
    const device = working.devices[move.deviceId];
    if (!device) return err('record-gone', { in: 'devices', id: move.deviceId });
    const type = working.deviceTypes[device.typeId];
    const snapped = snapDevice(buildingOf(working), device.levelId, type, move.to, device.facingRad);
    const { x, y } = snapped;
    const place = { levelId: device.levelId, roomId: snapped.roomId };
    const runs = runsByDevice(working).get(device.id) ?? [];
    const sameRoom = snapped.roomId === device.roomId;
    const number = sameRoom
      ? device.number
      : firstFreeNumber(working, { ...place, typeId: device.typeId }, Math.max(1, ...runs.map((run) => run.leg)));
    const next: Device = {
      ...device,
      x,
      y,
      roomId: snapped.roomId,
      number,
      facingRad: snapped.facingRad ?? device.facingRad,
      heightM: move.heightM ?? device.heightM,
    };
    operations.push(update('devices', device, next));
    moved.set(device.id, next);
    // Numbers only depend on who is in which room.
    if (sameRoom) continue;
    // The moves after this one see it; the last one needs no copy of the house for itself.
    const last = move === moves[moves.length - 1];
    if (!last) working = withRecords(working, 'devices', [next]);
    for (const run of runs.filter((r) => !isKept(r))) {
      const renumbered = {
        number: runNumberFor(working, next, run.leg, run.rackId),
        bundle: bundleFor(working, place, run.rackId, next),
        // A label that was printed is not true any more: its number is spent.
        printedOn: '',
        printedAs: '',
      };
      operations.push(spendNumber(working, run), update('runs', run, renumbered));
      if (!last) working = withRecords(working, 'runs', [{ ...run, ...renumbered }]);
    }
  }
  return ok([...operations.filter((operation) => operation !== null), ...platesFollowing(project, moved)]);
}

/** Removes devices with their runs. Refused where a run was already issued: `run-issued` (with its number). */
export function removeDevices(project: ProjectDocument, deviceIds: readonly string[]): Outcome<Operation[]> {
  const gone = new Set(deviceIds);
  const issued = listOf(project, 'runs').find((run) => gone.has(run.deviceId) && isKept(run));
  if (issued)
    return err('run-issued', {
      kind: 'prohibited',
      field: `run ${issued.number}`,
      number: issued.number,
      state: issued.state,
    });
  const spent = listOf(project, 'runs').flatMap((run) => (gone.has(run.deviceId) ? (spendNumber(project, run) ?? []) : []));
  return ok([...spent, ...deviceIds.flatMap((id) => removeWithDependants(project, 'devices', id))]);
}
