import type { Change, Device, Operation, ProjectDocument, Run } from '../../model/index.ts';
import { withRecords } from '../../derive/index.ts';
import { firstFreeNumber, freeLeg, runNumberFor, takenNumbers } from '../../runs/index.ts';

/**
 * Gives the devices that a change creates or moves new numbers, where another person has taken theirs meanwhile.
 * `project` is the project without the change. Returns the operations to send instead.
 */
export function renumberTaken(project: ProjectDocument, change: Pick<Change, 'operations'>): Operation[] {
  let working = project;
  const numbers = new Map<string, Device>();
  const operations = change.operations.map((operation): Operation => {
    if (operation.in !== 'devices' || operation.op === 'delete') return operation;
    const fields = operation.op === 'create' ? operation.record : operation.after;
    if (!('number' in fields)) return operation;
    const device = { ...working.devices[operation.id], ...fields } as Device;
    const { [operation.id]: _own, ...others } = working.devices;
    const legs = change.operations.filter(
      (o) => o.in === 'runs' && o.op === 'create' && (o.record as Partial<Run>).deviceId === device.id,
    ).length;
    const number = firstFreeNumber({ ...working, devices: others }, device, Math.max(1, legs));
    const next = { ...device, number };
    numbers.set(device.id, next);
    working = { ...working, devices: { ...working.devices, [device.id]: next } };
    if (operation.op === 'create') return { ...operation, record: { ...operation.record, number } };
    return { ...operation, after: { ...operation.after, number } };
  });
  /** A run for a device that was there: behind the runs that it has by now. */
  const addedElsewhere = (operation: Extract<Operation, { op: 'create' }>, run: Run): Operation => {
    const device = working.devices[run.deviceId];
    if (!device || !takenNumbers(working).has(run.number)) return operation;
    const leg = freeLeg(working, device);
    const number = runNumberFor(working, device, leg, run.rackId);
    working = withRecords(working, 'runs', [{ ...run, leg, number }]);
    return { ...operation, record: { ...operation.record, leg, number } };
  };
  return operations.map((operation): Operation => {
    if (operation.in !== 'runs' || operation.op === 'delete') return operation;
    const run = (operation.op === 'create'
      ? operation.record
      : { ...working.runs[operation.id], ...operation.after }) as unknown as Run;
    const device = numbers.get(run.deviceId);
    const fields = operation.op === 'create' ? operation.record : operation.after;
    if (!device) return operation.op === 'create' ? addedElsewhere(operation, run) : operation;
    if (!('number' in fields)) return operation;
    const number = runNumberFor(working, device, run.leg, run.rackId);
    if (operation.op === 'create') return { ...operation, record: { ...operation.record, number } };
    return { ...operation, after: { ...operation.after, number } };
  });
}
