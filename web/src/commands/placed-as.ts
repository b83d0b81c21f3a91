import { create, type Device, type Operation, type Run } from '@dusky-spool/core/model';

/** A placed device with what the brief says of it: prepared, of a later phase, of an outdoor area. */
export function placedAs(
  placed: { readonly device: Device; readonly runs: readonly Run[] },
  as: Partial<Pick<Device, 'fitting' | 'phaseId' | 'areaId'>> | undefined,
): { readonly device: Device; readonly operations: Operation[] } {
  const device = { ...placed.device, ...as };
  return { device, operations: [create('devices', device), ...placed.runs.map((run) => create('runs', run))] };
}
