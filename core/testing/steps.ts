import { type IdSource, placeAll } from '../devices/index.ts';
import { applyChange, type Device, type Operation, type ProjectDocument } from '../model/index.ts';

/** Ids that count up, for devices and their runs. */
export function countedIds(before = ''): IdSource {
  let count = 0;
  return { device: () => `${before}d${++count}`, run: () => `${before}r${++count}` };
}

/** A project after an edit; a test fails with the problem where it is refused. */
export function applied(project: ProjectDocument, operations: readonly Operation[]): ProjectDocument {
  const result = applyChange(project, { operations });
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  return result.value;
}

/** A house with devices placed in it on level `m`, and those devices in their order. */
export function withDevices(
  house: ProjectDocument,
  wanted: Parameters<typeof placeAll>[2],
  ids: IdSource,
  levelId = 'm',
): { readonly project: ProjectDocument; readonly devices: readonly Device[] } {
  const placed = placeAll(house, levelId, wanted, ids);
  if (!placed.ok) throw new Error(placed.problem.code);
  return { project: applied(house, placed.value.operations), devices: placed.value.devices };
}
