import { type CollectionName, COLLECTIONS, type RecordOf } from './collections.ts';
import { type Operation, sameValue } from './change.ts';
import type { ProjectDocument, TableOf } from './project-document.ts';
import type { ProjectHeader } from './records.ts';

export function create<C extends CollectionName>(name: C, record: RecordOf<C>): Operation {
  return { op: 'create', in: name, id: record.id, record: record as Record<string, unknown> };
}

export function remove<C extends CollectionName>(name: C, record: RecordOf<C>): Operation {
  return { op: 'delete', in: name, id: record.id, record: record as Record<string, unknown> };
}

/** An update that holds only the fields that differ; null where nothing does. */
export function update<C extends CollectionName>(name: C, record: RecordOf<C>, after: Partial<RecordOf<C>>): Operation | null {
  return difference(name, record.id, record, after);
}

export function updateProject(header: ProjectHeader, after: Partial<ProjectHeader>): Operation | null {
  return difference('project', 'project', header, after);
}

function difference(name: CollectionName | 'project', id: string, record: object, after: object): Operation | null {
  const was = record as Record<string, unknown>;
  const changed = Object.entries(after).filter(([field, value]) => !sameValue(was[field], value));
  if (changed.length === 0) return null;
  return {
    op: 'update',
    in: name,
    id,
    before: Object.fromEntries(changed.map(([field]) => [field, was[field]])),
    after: Object.fromEntries(changed),
  };
}

/** References without which a record still stands. */
const MAY_BE_EMPTY = new Set([
  'devices.roomId',
  'devices.belongsTo',
  'devices.phaseId',
  'devices.mountTypeId',
  'features.topLevelId',
  'runs.toDeviceId',
  'runs.mapId',
  'briefCells.typeId',
  'briefCells.phaseId',
  'decisions.roomId',
  'compromises.roomId',
  'compromises.deviceId',
  'packageLines.roomId',
  'plates.roomId',
  'equipment.feedId',
  'equipment.circuitId',
  'equipment.tieDeviceId',
  'rfSources.deviceId',
  'scenes.deviceId',
  'spoolCuts.runId',
  'siteTasks.roomId',
  'photos.roomId',
  'photos.wallId',
  'photos.deviceId',
  'inspectionItems.levelId',
  'inspectionSignOffs.levelId',
  'taskTimes.roomId',
  'crewHandovers.roomId',
  'adjustments.deviceId',
  'adjustments.equipmentId',
]);

/**
 * Takes a record away with everything that refers to it, dependants first.
 * A field that may be empty is emptied instead.
 */
export function removeWithDependants(project: ProjectDocument, name: CollectionName, id: string): Operation[] {
  const operations: Operation[] = [];
  const gone = new Set<string>();
  const take = (collection: CollectionName, recordId: string): void => {
    const key = `${collection}/${recordId}`;
    if (gone.has(key)) return;
    gone.add(key);
    for (const [other, shape] of Object.entries(COLLECTIONS) as [CollectionName, (typeof COLLECTIONS)[CollectionName]][]) {
      for (const [field, target] of Object.entries(shape.refers)) {
        if (target !== collection) continue;
        for (const record of Object.values(project[other] as TableOf<CollectionName>)) {
          if ((record as Record<string, unknown>)[field] !== recordId || gone.has(`${other}/${record.id}`)) continue;
          if (MAY_BE_EMPTY.has(`${other}.${field}`)) {
            operations.push({ op: 'update', in: other, id: record.id, before: { [field]: recordId }, after: { [field]: null } });
          } else take(other, record.id);
        }
      }
    }
    for (const known of Object.values(project.facts)) {
      if (known.subject === collection && known.subjectId === recordId) operations.push(remove('facts', known));
    }
    const record = (project[collection] as TableOf<CollectionName>)[recordId];
    if (record) operations.push(remove(collection, record as never));
  };
  take(name, id);
  return operations;
}
